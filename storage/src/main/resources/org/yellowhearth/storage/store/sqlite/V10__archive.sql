-- How many entries a job has stands with it, so that the shelf reads no journal; an entry says who made it. Digests, what there is to be found and
-- what the jobs teach follow from the journals: they may be deleted at any time and are made anew.

alter table job add column entries integer not null default 0;
update job set entries = (select count(*) from entry where entry.job = job.id);
alter table entry add column signed text not null default '';

create table digest (
    job           text    primary key references job (id),
    entries       integer not null,
    edition       integer not null,
    watched       integer not null,
    things        integer not null,
    card          text    not null check (json_valid(card))
) strict, without rowid;

create table tally (
    job           text    not null references job (id),
    topic         text    not null,
    key           text    not null,
    seen          integer not null,
    hits          integer not null,
    primary key (job, topic, key)
) strict, without rowid;

create table thing (
    id            integer primary key,
    job           text    not null references job (id),
    place         text    not null,
    part          text    not null,
    text          text    not null
) strict;

create index thing_of_job on thing (job);

create virtual table thing_word using fts5 (place, own, plate, tokenize = "unicode61 remove_diacritics 0 tokenchars './+%&#*=<>''!?@_$-'", prefix = '2 3');

-- What jobs have fitted out of the drawer or promised themselves of it, counted by its lines.
create index choice_item on item (job) where type = 'choice';

create view drawer_use as
    select c.job as job, t.value ->> '$.stock' as stock, coalesce(f.content ->> '$.fitted', 0) as fitted, count(*) as number
    from item c, json_each(c.content, '$.groups') g, json_each(g.value, '$.of') t
        left join item f on f.job = c.job and f.id = 'fitting-' || (c.content ->> '$.part')
    where c.type = 'choice' and t.value ->> '$.whence' = 'drawer'
    group by 1, 2, 3;
