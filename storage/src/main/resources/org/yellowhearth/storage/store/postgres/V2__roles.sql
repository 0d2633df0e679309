-- Whoever may write could empty a journal at one stroke: a trigger for each row is not asked then, one for each statement is.

create trigger entry_is_never_emptied before truncate on entry for each statement execute function only_appended();

create trigger stock_entry_is_never_emptied before truncate on stock_entry for each statement execute function only_appended();

-- The owner makes the tables and brings them up to date; a bench gets a name of its own that can read everything, add to the journals, and keep what
-- follows from them, and nothing more. To be asked again after an update that brings new tables.

create function let_bench_in(bench text) returns void language plpgsql as
$$ begin
    execute format('grant connect on database %I to %I', current_database(), bench);
    execute format('grant usage on schema %I to %I', current_schema(), bench);
    execute format('grant select, insert on entry, stock_entry to %I', bench);
    execute format('grant select, insert, update on job to %I', bench);
    execute format('grant select, insert, update, delete on part, reading, item, aspect, stock, digest, tally, thing, thing_word to %I', bench);
    execute format('grant select on drawer_use, flyway_schema_history to %I', bench);
end $$;

revoke execute on function let_bench_in(text) from public;
