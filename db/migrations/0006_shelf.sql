-- Up Migration

-- What a plan is for, in one line, for lists: what its rows say.
alter table plans add column purpose text generated always as (rows ->> 'purpose') stored;

-- A plan taken off the shelf is kept, and can be put back.
alter table plans add column deleted_at timestamptz;

-- Where its owner put it: a key that sorts by its bytes. Plans without one stand behind, the one worked on last first.
alter table plans add column place text collate "C";

-- What the shelf says beside the figures: the worst findings, and what is shot.
alter table plan_summaries
  add column worst jsonb not null default '[]',
  add column work jsonb not null default '[]';
delete from plan_summaries;

-- Down Migration

alter table plan_summaries drop column worst, drop column work;
alter table plans drop column place, drop column deleted_at, drop column purpose;
