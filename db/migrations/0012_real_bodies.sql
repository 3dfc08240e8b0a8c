-- Up Migration

-- A camera in somebody's hand: nothing is simulated behind it, its files are carried by hand.
alter table bodies add column is_real boolean not null default false;

-- The lens on a simulated body, by the id of its definition; null for none.
alter table bodies add column lens text;

-- Files of a format that nothing here knows: kept byte for byte, with what their owner says of them.
alter table files
  drop constraint files_kind_check,
  add constraint files_kind_check check (kind in ('plan', 'card', 'opaque')),
  alter column model_id drop not null,
  add constraint files_model_check check (kind = 'opaque' or model_id is not null),
  -- Folder and name on the card it was taken from, and when it was saved by the clock of the card.
  add column card_path text,
  add column saved_at timestamptz;

-- What is on the shelf is never changed: no statement writes into the bytes of a file.
create function refuse_bytes() returns trigger language plpgsql as $$
begin
  raise exception 'the bytes of a file are never changed';
end
$$;
create trigger file_bytes_are_kept before update of id, bytes, digest, kind on files
  for each row when (old.id <> new.id or old.bytes is distinct from new.bytes or old.digest <> new.digest or old.kind <> new.kind)
  execute function refuse_bytes();

-- Stretches of the files of a model that count as nothing where two are held against each other: what differs between saves of
-- an unchanged camera, and what its owner named as one body's own.
create table file_regions (
  id uuid primary key default gen_random_uuid(),
  owner_id uuid not null references owners on delete cascade,
  model_id text not null,
  kind text not null check (kind in ('noise', 'own')),
  -- Files of another size have other places.
  size integer not null check (size >= 0),
  from_byte integer not null check (from_byte >= 0),
  to_byte integer not null check (to_byte > from_byte),
  words text not null default '' check (length(words) <= 120),
  made_at timestamptz not null default now(),
  unique (owner_id, model_id, kind, size, from_byte, to_byte)
);

-- What a carry by hand came to on each body, written when its walk ends.
create table hand_carries (
  walk_id uuid not null references walks on delete cascade,
  body text not null check (length(body) <= 60),
  owner_id uuid not null references owners on delete cascade,
  how text not null check (how in ('read back', 'loaded', 'not taken', 'differs')),
  -- What it was to bring, in words, and what the body it came from was believed to hold; null where that is not known.
  words text not null,
  held jsonb,
  firmware text,
  sent text,
  found text,
  ended_at timestamptz not null default now(),
  primary key (walk_id, body)
);
create index hand_carries_by_body on hand_carries (owner_id, body, ended_at desc);

-- Down Migration

drop table hand_carries, file_regions;
drop trigger file_bytes_are_kept on files;
drop function refuse_bytes();
delete from files where kind = 'opaque';
alter table files
  drop column card_path,
  drop column saved_at,
  drop constraint files_model_check,
  drop constraint files_kind_check,
  add constraint files_kind_check check (kind in ('plan', 'card')),
  alter column model_id set not null;
alter table bodies drop column is_real, drop column lens;
