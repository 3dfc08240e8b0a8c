-- Up Migration

-- What a log is known by at each of its numbers: a digest of the ids of all steps up to there (core/sync/head.ts), so that a
-- page whose steps an older copy of the database lacks is told, even where the newest step is the same.
alter table steps add column head text;

alter table steps disable trigger steps_are_kept;

with recursive chain as (
  select plan_id, number, left(encode(sha256(convert_to(id::text, 'UTF8')), 'hex'), 32) as head
  from steps where number = 1
  union all
  select next.plan_id, next.number,
    left(encode(sha256(convert_to(chain.head || next.id::text, 'UTF8')), 'hex'), 32)
  from chain join steps next on next.plan_id = chain.plan_id and next.number = chain.number + 1
)
update steps set head = chain.head from chain
where steps.plan_id = chain.plan_id and steps.number = chain.number;

alter table steps enable trigger steps_are_kept;
alter table steps alter column head set not null;

-- Down Migration

alter table steps drop column head;
