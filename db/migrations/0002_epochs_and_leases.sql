-- Up Migration

-- A plan that is put back or made anew under its old id begins another epoch: pages that still hold the former one are told.
alter table plans add column epoch uuid not null default gen_random_uuid();

-- A plan may follow another edition of its model: each revision says which it was frozen on.
alter table revisions add column model_version integer;
alter table revisions disable trigger revisions_are_kept;
update revisions set model_version = plans.model_version from plans where plans.id = revisions.plan_id;
alter table revisions enable trigger revisions_are_kept;
alter table revisions alter column model_version set not null;

-- Which plan a file was opened as, so that the same bytes open it again instead of another copy.
alter table files add column plan_id uuid references plans on delete set null;

-- A file is kept once, however often its bytes come: what stood beside a later copy goes to the first one's note.
create table transfer_files (
  transfer_id uuid not null references transfers on delete cascade,
  role text not null check (role in ('backup', 'sent', 'readBack')),
  file_id uuid not null references files on delete cascade,
  primary key (transfer_id, role)
);

create temporary table first_of on commit drop as
  select id, first_value(id) over (partition by owner_id, digest order by added_at, id) as first from files;

update files kept set
  note = kept.note || more.notes,
  body_id = coalesce(kept.body_id, more.body_id),
  revision_id = coalesce(kept.revision_id, more.revision_id)
from (
  select first_of.first,
    coalesce(string_agg(distinct ' ' || nullif(files.note, ''), '') filter (where files.note <> (select note from files f where f.id = first_of.first)), '') as notes,
    (array_agg(files.body_id order by files.added_at) filter (where files.body_id is not null))[1] as body_id,
    (array_agg(files.revision_id order by files.added_at) filter (where files.revision_id is not null))[1] as revision_id
  from first_of join files on files.id = first_of.id
  where first_of.id <> first_of.first
  group by first_of.first
) more
where kept.id = more.first;

delete from files using first_of where files.id = first_of.id and first_of.id <> first_of.first;

create unique index files_once on files (owner_id, digest);

-- What a body holds is told of every transfer that did not end well.
alter table transfers add column holds text check (holds in ('before', 'loaded', 'plan', 'other'));

create index transfers_by_plan on transfers (plan_id, started_at desc);
create index transfers_by_body on transfers (body_id, started_at desc);

-- A body in parts, so that a change of its card writes its card and nothing else; the card's files stand apart.
create table card_files (
  body_id uuid not null references bodies on delete cascade,
  name text not null,
  bytes bytea not null,
  primary key (body_id, name)
);

insert into card_files (body_id, name, bytes)
  select bodies.id, file.key, decode(file.value #>> '{}', 'base64')
  from bodies cross join lateral jsonb_each(bodies.state -> 'card' -> 'files') file
  where jsonb_typeof(bodies.state -> 'card') = 'object';

alter table bodies
  add column serial text,
  add column firmware text,
  add column memory jsonb,
  add column pending jsonb,
  add column card jsonb,
  add column battery_percent integer;

update bodies set
  serial = state ->> 'serial',
  firmware = state ->> 'firmware',
  memory = state -> 'memory',
  pending = nullif(state -> 'pending', 'null'),
  card = nullif(state -> 'card', 'null') - 'files',
  battery_percent = (state ->> 'batteryPercent')::int;

alter table bodies
  alter column serial set not null,
  alter column firmware set not null,
  alter column memory set not null,
  alter column battery_percent set not null,
  drop column state;

-- Down Migration

alter table bodies add column state jsonb;

update bodies set state = jsonb_build_object(
  'model', jsonb_build_object('id', model_id, 'version', model_version),
  'serial', serial, 'firmware', firmware, 'memory', memory, 'pending', pending, 'batteryPercent', battery_percent,
  'card', card || jsonb_build_object('files', coalesce(
    (select jsonb_object_agg(name, replace(encode(bytes, 'base64'), E'\n', '')) from card_files where body_id = bodies.id),
    '{}'::jsonb)));

alter table bodies
  alter column state set not null,
  drop column serial, drop column firmware, drop column memory, drop column pending, drop column card,
  drop column battery_percent;

drop table card_files;
drop index transfers_by_plan, transfers_by_body;
alter table transfers drop column holds;
drop index files_once;
drop table transfer_files;
alter table files drop column plan_id;
alter table plans drop column epoch;
alter table revisions drop column model_version;
