-- Aspects and items beside the parts, the date stamped on a part, and what happened to the set; all follow from the journal.

alter table part add column date_code text not null default '';

create table item (
    job           text    not null references job (id),
    id            text    not null,
    type          text    not null,
    content       text    not null check (json_valid(content)),
    primary key (job, id)
) strict, without rowid;

create table aspect (
    job           text    not null references job (id),
    type          text    not null,
    content       text    not null check (json_valid(content)),
    primary key (job, type)
) strict, without rowid;
