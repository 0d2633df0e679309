-- Plans for forming, and what happened under them, are kept as items and entries. They need no table of their own; an older program, which does
-- not know them, must not open a shop that may hold them.

create view reform_plan as
    select job, id, content from item where type = 'reform-plan';
