-- Sections of a supply may say more, converters and values of the model are kept. They need no table of their own; an older program, which
-- does not know them, must not open a shop that may hold them. What loads draw in a state, and values of the model, are no sections.

drop view supply_section;

create view supply_section as
    select job, id, type, content from item
    where type glob 'supply-*' and type not in ('supply-reading', 'supply-target', 'supply-bridge', 'supply-sign', 'supply-state', 'supply-value');
