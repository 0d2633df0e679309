-- What was read and noticed of a supply under power is kept as items. They need no table of their own; an older program, which does not
-- know them, must not open a shop that may hold them. A section of the supply is not what was read at it.

drop view supply_section;

create view supply_section as
    select job, id, type, content from item
    where type glob 'supply-*' and type not in ('supply-reading', 'supply-target', 'supply-bridge', 'supply-sign');

create view supply_reading as
    select job, id, content from item where type = 'supply-reading';
