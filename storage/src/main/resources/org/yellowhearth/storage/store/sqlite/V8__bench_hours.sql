-- The hours at the bench are an aspect, the discharge after forming an entry, and a plan may be one in the set. They need no table of their own; an
-- older program, which does not know them, must not open a shop that may hold them.

create view bench_hours as
    select job, content from aspect where type = 'bench-hours';
