-- Up Migration

-- What an owner has: one document, saved step by step like plans; plans of every model reckon with it.
create table inventories (
  owner_id uuid primary key references owners on delete cascade,
  epoch uuid not null default gen_random_uuid(),
  version integer not null default 0 check (version >= 0),
  rows jsonb not null default '{}',
  updated_at timestamptz not null default now()
);

create table inventory_steps (
  owner_id uuid not null references inventories on delete cascade,
  number integer not null check (number >= 1),
  id uuid not null,
  step jsonb not null,
  head text not null,
  made_at timestamptz not null default now(),
  primary key (owner_id, number),
  unique (owner_id, id)
);

create trigger inventory_steps_are_kept before update on inventory_steps for each row execute function refuse_change();

-- Bodies that are there already become records.
insert into inventories (owner_id, rows)
  select owners.id, coalesce(
    (select jsonb_object_agg('body/' || tag || '/' || fact, value)
     from bodies cross join lateral (values
       ('name', name), ('model', model_id), ('place', nullif(left(place, 100), '')), ('serial', left(serial, 40)),
       ('firmware', firmware), ('prefix', nullif(left(memory ->> 'base/files.prefix', 12), ''))
     ) said (fact, value)
     where bodies.owner_id = owners.id and value is not null),
    '{}')
  from owners;

-- A body that was removed from the inventory is kept with its transfers, for the day it comes back.
alter table bodies add column gone boolean not null default false;

-- Down Migration

alter table bodies drop column gone;
drop table inventory_steps, inventories;
