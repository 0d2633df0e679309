-- A shop: jobs and their journals. The journal (entry) is the truth and is only ever appended; part and reading are projections of
-- what stands now, kept in the same transaction, so that any SQLite tool can look things up. Times are UTC, with the zone beside.

create table job (
    id            text    primary key,
    name          text    not null,
    kind          text    not null,
    place         text    not null,
    made          integer,
    touched_at    text    not null
) strict;

create table entry (
    job           text    not null references job (id),
    number        integer not null,
    at            text    not null,
    zone          text    not null,
    act           text    not null check (json_valid(act)),
    primary key (job, number)
) strict, without rowid;

create trigger entry_is_never_changed before update on entry begin
    select raise(abort, 'the journal is only appended to');
end;

create trigger entry_is_never_deleted before delete on entry begin
    select raise(abort, 'the journal is only appended to');
end;

create table part (
    job           text    not null references job (id),
    ref           text    not null,
    marking       text    not null,
    kind          text    not null,
    role          text    not null,
    capacitance_farads real not null,
    rated_volts   real,
    working_volts real,
    primary key (job, ref)
) strict, without rowid;

create table reading (
    job           text    not null references job (id),
    id            text    not null,
    part          text    not null,
    at            text    not null,
    capacitance_farads real,
    esr_ohms      real,
    dissipation   real,
    quality       real,
    leakage_amperes real,
    insulation_ohms real,
    frequency_hertz real,
    test_volts    real,
    connection    text    not null,
    primary key (job, id)
) strict, without rowid;
