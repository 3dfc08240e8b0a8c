-- Up Migration

-- Devices that were let in from the shelf, and until when.
create table devices (
  id uuid primary key default gen_random_uuid(),
  name text not null check (length(name) between 1 and 60),
  let_in_at timestamptz not null default now(),
  last_used_at timestamptz not null default now(),
  ended_at timestamptz
);

-- Codes by which a device is let in, once. What a code is, only who asked for it is told: here stands its digest.
create table pairing_codes (
  id uuid primary key default gen_random_uuid(),
  salt text not null,
  digest text not null,
  made_at timestamptz not null default now(),
  ends_at timestamptz not null,
  tries_left integer not null check (tries_left >= 0),
  used_by uuid references devices (id),
  given_up boolean not null default false
);
create index pairing_codes_by_time on pairing_codes (made_at desc);

-- Down Migration

drop table pairing_codes;
drop table devices;
