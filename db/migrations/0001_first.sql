-- Up Migration

create table owners (
  id uuid primary key,
  name text not null,
  created_at timestamptz not null default now()
);

insert into owners (id, name) values ('00000000-0000-4000-8000-000000000001', 'You');

create table models (
  owner_id uuid not null references owners on delete cascade,
  id text not null,
  version integer not null check (version >= 1),
  digest text not null,
  definition jsonb not null,
  added_at timestamptz not null default now(),
  primary key (owner_id, id, version)
);

create table bodies (
  id uuid primary key,
  owner_id uuid not null references owners on delete cascade,
  model_id text not null,
  model_version integer not null,
  tag text not null check (tag ~ '^[a-z0-9][a-z0-9-]{0,40}$'),
  name text not null,
  place text not null default '',
  state jsonb not null,
  created_at timestamptz not null default now(),
  unique (owner_id, tag),
  foreign key (owner_id, model_id, model_version) references models (owner_id, id, version)
);

create table plans (
  id uuid primary key,
  owner_id uuid not null references owners on delete cascade,
  model_id text not null,
  model_version integer not null,
  version integer not null default 0 check (version >= 0),
  rows jsonb not null default '{}',
  created_at timestamptz not null default now(),
  updated_at timestamptz not null default now(),
  foreign key (owner_id, model_id, model_version) references models (owner_id, id, version)
);

-- The log of every plan: only ever appended to; number n makes version n of its plan.
create table steps (
  plan_id uuid not null references plans on delete cascade,
  number integer not null check (number >= 1),
  id uuid not null,
  step jsonb not null,
  made_at timestamptz not null default now(),
  primary key (plan_id, number),
  unique (plan_id, id)
);

create function refuse_change() returns trigger language plpgsql as $$
begin
  raise exception '% is only appended to', tg_table_name;
end
$$;

create trigger steps_are_kept before update on steps for each row execute function refuse_change();

create table revisions (
  id uuid primary key,
  plan_id uuid not null references plans on delete cascade,
  number integer not null check (number >= 1),
  plan_version integer not null,
  note text not null,
  rows jsonb not null,
  digest text not null,
  made_at timestamptz not null default now(),
  unique (plan_id, number)
);

create trigger revisions_are_kept before update on revisions for each row execute function refuse_change();

create table files (
  id uuid primary key,
  owner_id uuid not null references owners on delete cascade,
  kind text not null check (kind in ('plan', 'card')),
  name text not null,
  bytes bytea not null,
  digest text not null,
  model_id text not null,
  firmware text,
  body_id uuid references bodies on delete set null,
  revision_id uuid references revisions on delete set null,
  note text not null default '',
  added_at timestamptz not null default now()
);

create index files_by_owner on files (owner_id, added_at desc);

create table transfers (
  id uuid primary key,
  owner_id uuid not null references owners on delete cascade,
  plan_id uuid not null references plans on delete cascade,
  revision_id uuid not null references revisions on delete cascade,
  body_id uuid not null references bodies on delete cascade,
  outcome text not null default 'running' check (outcome in ('running', 'identical', 'refused', 'stopped')),
  record jsonb,
  started_at timestamptz not null default now(),
  ended_at timestamptz
);

create unique index one_transfer_at_a_time on transfers (body_id) where outcome = 'running';

create table transfer_log (
  transfer_id uuid not null references transfers on delete cascade,
  number integer not null,
  stage text not null,
  outcome text not null check (outcome in ('done', 'refused', 'stopped')),
  message text not null,
  logged_at timestamptz not null default now(),
  primary key (transfer_id, number)
);

create index plans_by_owner on plans (owner_id, updated_at desc);

-- Down Migration

drop table transfer_log, transfers, files, revisions, steps, plans, bodies, models, owners;
drop function refuse_change();
