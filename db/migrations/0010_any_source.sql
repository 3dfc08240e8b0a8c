-- Up Migration

-- A transfer carries a revision, a file, or what another body held when it began (kept as a file then); what no file brings
-- stands beside it. One that paused says before which stage, and how it left its body.
alter table transfers
  alter column plan_id drop not null,
  alter column revision_id drop not null,
  add column source_file uuid references files on delete restrict,
  add column source_body uuid references bodies on delete set null,
  -- What it carries, in words: the name of a plan, a file or a body as it was called then.
  add column source text not null default '',
  add column stem text not null default '',
  -- Rows that are set by hand, with their values; null of transfers from before.
  add column by_hand jsonb,
  -- The lines of hand work that came of it, and which of them were ticked.
  add column hand_work jsonb,
  add column asked text check (asked in ('pause', 'stop')),
  add column stage text,
  add column stand text,
  add column compared integer,
  drop constraint transfers_outcome_check,
  add constraint transfers_outcome_check check (outcome in ('running', 'paused', 'identical', 'refused', 'stopped')),
  add constraint transfers_source_check check (num_nonnulls(revision_id, source_file) = 1);

update transfers set stem = 'REV' || r.number, source = 'revision ' || r.number || ' of ' || p.title
  from revisions r join plans p on p.id = r.plan_id where r.id = transfers.revision_id;
update transfers set hand_work = record -> 'handWork' where record ? 'handWork';

-- What a body held before is not the revision that was carried to it.
update files set revision_id = null where id in (
  select file_id from transfer_files group by file_id having bool_and(role = 'backup'));

create index transfers_by_time on transfers (owner_id, started_at desc);

-- What an owner puts beside a file, and files that were put into the bin: kept, and put back by one click.
alter table files
  add column tags text[] not null default '{}',
  add column deleted_at timestamptz;

-- What is to go wrong with a simulated body, and before which stage of its next transfer.
alter table bodies add column mishaps jsonb not null default '[]';

-- What was done to a body by hand on its bench, besides transfers and walks; only ever appended to.
create table body_events (
  id uuid primary key default gen_random_uuid(),
  body_id uuid not null references bodies on delete cascade,
  at timestamptz not null default now(),
  kind text not null check (length(kind) <= 40),
  words text not null
);
create index body_events_by_time on body_events (body_id, at desc);
create trigger body_events_are_kept before update on body_events for each row execute function refuse_change();

-- Down Migration

drop table body_events;
alter table bodies drop column mishaps;
alter table files drop column tags, drop column deleted_at;
drop index transfers_by_time;
delete from transfers where revision_id is null or outcome = 'paused';
alter table transfers
  drop constraint transfers_source_check,
  drop constraint transfers_outcome_check,
  add constraint transfers_outcome_check check (outcome in ('running', 'identical', 'refused', 'stopped')),
  drop column source_file,
  drop column source_body,
  drop column source,
  drop column stem,
  drop column by_hand,
  drop column hand_work,
  drop column asked,
  drop column stage,
  drop column stand,
  drop column compared,
  alter column plan_id set not null,
  alter column revision_id set not null;
