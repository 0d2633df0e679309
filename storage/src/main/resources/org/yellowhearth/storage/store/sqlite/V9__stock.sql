-- The drawer, and what the shop changed in the catalogue: what was done to the stock is the truth and is only ever appended; stock is a projection of
-- what stands now, kept in the same transaction. How many are left of a line is what was counted less what the jobs have fitted: see the view.

create table stock_entry (
    number        integer primary key,
    at            text    not null,
    zone          text    not null,
    act           text    not null check (json_valid(act))
) strict;

create trigger stock_entry_is_never_changed before update on stock_entry begin
    select raise(abort, 'what was done to the stock is only appended to');
end;

create trigger stock_entry_is_never_deleted before delete on stock_entry begin
    select raise(abort, 'what was done to the stock is only appended to');
end;

create table stock (
    id            text    primary key,
    whence        text    not null,
    title         text    not null,
    quantity      integer,
    content       text    not null check (json_valid(content))
) strict;

-- Wares that jobs have chosen, one row for each: fitted where the part's fitting says so.
create view chosen_ware as
    select c.job, c.content ->> '$.part' as part, t.value ->> '$.stock' as stock, t.value ->> '$.whence' as whence,
        coalesce((select f.content ->> '$.fitted' from item f where f.job = c.job and f.type = 'fitting'
            and f.content ->> '$.part' = c.content ->> '$.part'), 0) as fitted
    from item c, json_each(c.content, '$.groups') g, json_each(g.value, '$.of') t
    where c.type = 'choice';
