-- Up Migration

-- A plan's title, for lists and searching: what its rows say.
alter table plans add column title text not null generated always as (coalesce(rows ->> 'title', 'Untitled plan')) stored;

-- What the shelf says of a plan, reckoned in the background: good for the state of the plan's row it was reckoned for
-- (its version, and the mark the database puts on every change of a row), and for the checks it was reckoned by.
create table plan_summaries (
  plan_id uuid primary key references plans on delete cascade,
  plan_version integer not null,
  row_mark text not null,
  checked_by text not null,
  blocks integer not null default 0,
  trips integer not null default 0,
  trouble jsonb
);

-- Down Migration

drop table plan_summaries;
alter table plans drop column title;
