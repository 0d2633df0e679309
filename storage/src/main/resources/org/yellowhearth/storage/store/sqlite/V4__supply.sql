-- The supply of a set is described by items. They need no table of their own; an older program, which does not know them, must not
-- open a shop that may hold them, and a look-up by section is worth a view.

create view supply_section as
    select job, id, type, content from item where type glob 'supply-*';
