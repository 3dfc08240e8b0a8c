-- Up Migration

-- How far somebody is with a procedure on a body: a document of its own, saved step by step like plans.
create table walks (
  id uuid primary key,
  owner_id uuid not null references owners on delete cascade,
  plan_id uuid not null references plans on delete cascade,
  -- Tag of the body in the inventory; empty where none was named. It is kept when the body is gone.
  body text not null check (length(body) <= 60),
  procedure text not null check (length(procedure) <= 40),
  -- Where focus fails, for the rescue: a side, or family/slot; empty for the others.
  place text not null default '' check (length(place) <= 120),
  -- The revision it goes through, or null for the plan as it is.
  revision integer,
  start text not null check (start in ('delivered', 'believed', 'every')),
  -- What the body was believed to hold when it began; null for as delivered.
  held jsonb,
  epoch uuid not null default gen_random_uuid(),
  version integer not null default 0 check (version >= 0),
  rows jsonb not null default '{}',
  begun_at timestamptz not null default now(),
  updated_at timestamptz not null default now(),
  ended_at timestamptz,
  -- What was set, skipped, seen otherwise, and what the body holds since; written once, when it ends.
  record jsonb
);

create unique index one_walk_at_a_time on walks (plan_id, body, procedure, place) where ended_at is null;
create index walks_of_plan on walks (plan_id, updated_at desc);

create table walk_steps (
  walk_id uuid not null references walks on delete cascade,
  number integer not null check (number >= 1),
  id uuid not null,
  step jsonb not null,
  head text not null,
  made_at timestamptz not null default now(),
  primary key (walk_id, number),
  unique (walk_id, id)
);

create trigger walk_steps_are_kept before update on walk_steps for each row execute function refuse_change();

-- Down Migration

drop table walk_steps, walks;
