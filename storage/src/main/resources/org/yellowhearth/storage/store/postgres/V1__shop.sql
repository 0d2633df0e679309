-- A shop that several benches share, as the file of one bench has it after its tenth migration. The journal (entry) is the truth and is only ever
-- appended; everything else follows from it. Times are UTC as text, with the zone beside, the same in both.

create table job (
    id            text    primary key,
    name          text    not null,
    kind          text    not null,
    place         text    not null,
    made          integer,
    touched_at    text    not null,
    entries       integer not null default 0
);

create table entry (
    job           text    not null references job (id),
    number        integer not null,
    at            text    not null,
    zone          text    not null,
    act           text    not null check (act::jsonb is not null),
    signed        text    not null default '',
    primary key (job, number)
);

create function only_appended() returns trigger language plpgsql as
$$ begin raise exception 'the journal is only appended to'; end $$;

create trigger entry_is_never_changed before update or delete on entry for each row execute function only_appended();

create table part (
    job           text    not null references job (id),
    ref           text    not null,
    sort          text    not null,
    marking       text    not null,
    kind          text,
    role          text,
    capacitance_farads double precision,
    rated_volts   double precision,
    working_volts double precision,
    date_code     text    not null,
    content       text    not null,
    primary key (job, ref)
);

create table reading (
    job           text    not null references job (id),
    id            text    not null,
    part          text    not null,
    at            text    not null,
    capacitance_farads double precision,
    esr_ohms      double precision,
    dissipation   double precision,
    quality       double precision,
    leakage_amperes double precision,
    insulation_ohms double precision,
    frequency_hertz double precision,
    test_volts    double precision,
    connection    text    not null,
    content       text    not null,
    primary key (job, id)
);

create table item (
    job           text    not null references job (id),
    id            text    not null,
    type          text    not null,
    content       text    not null,
    primary key (job, id)
);

create table aspect (
    job           text    not null references job (id),
    type          text    not null,
    content       text    not null,
    primary key (job, type)
);

create table stock_entry (
    number        integer primary key,
    at            text    not null,
    zone          text    not null,
    act           text    not null check (act::jsonb is not null)
);

create trigger stock_entry_is_never_changed before update or delete on stock_entry for each row execute function only_appended();

create table stock (
    id            text    primary key,
    whence        text    not null,
    title         text    not null,
    quantity      integer,
    content       text    not null
);

create table digest (
    job           text    primary key references job (id),
    entries       integer not null,
    edition       integer not null,
    watched       integer not null,
    things        integer not null,
    card          text    not null
);

create table tally (
    job           text    not null references job (id),
    topic         text    not null,
    key           text    not null,
    seen          bigint  not null,
    hits          bigint  not null,
    primary key (job, topic, key)
);

create table thing (
    id            bigint  primary key,
    job           text    not null references job (id),
    place         text    not null,
    part          text    not null,
    text          text    not null
);

create index thing_of_job on thing (job);

create table thing_word (
    rowid         bigint  primary key,
    place         text    not null,
    own           text    not null,
    plate         text    not null,
    own_words     tsvector generated always as (array_to_tsvector(string_to_array(own, ' '))) stored,
    all_words     tsvector generated always as (array_to_tsvector(string_to_array(trim(own || ' ' || plate), ' '))) stored
);

create index thing_words on thing_word using gin (all_words);

create index choice_item on item (job) where type = 'choice';

create view drawer_use as
    select c.job as job, t ->> 'stock' as stock,
        case when f.content::jsonb ->> 'fitted' = 'true' then 1 else 0 end as fitted, count(*)::integer as number
    from item c
        cross join lateral jsonb_array_elements(coalesce(c.content::jsonb -> 'groups', '[]')) g
        cross join lateral jsonb_array_elements(coalesce(g -> 'of', '[]')) t
        left join item f on f.job = c.job and f.id = 'fitting-' || (c.content::jsonb ->> 'part')
    where c.type = 'choice' and t ->> 'whence' = 'drawer'
    group by 1, 2, 3;
