-- Parts of every sort beside capacitors, and readings with every figure. Both tables follow from the journal. What stood before
-- were capacitors, told by their columns; their content is written whole when they are next changed.

create table part_of_any_sort (
    job           text    not null references job (id),
    ref           text    not null,
    sort          text    not null,
    marking       text    not null,
    kind          text,
    role          text,
    capacitance_farads real,
    rated_volts   real,
    working_volts real,
    date_code     text    not null,
    content       text    not null check (json_valid(content)),
    primary key (job, ref)
) strict, without rowid;

insert into part_of_any_sort
    select job, ref, 'capacitor', marking, kind, role, capacitance_farads, rated_volts, working_volts, date_code, '{}' from part;

drop table part;

alter table part_of_any_sort rename to part;

alter table reading add column content text not null default '{}' check (json_valid(content));
