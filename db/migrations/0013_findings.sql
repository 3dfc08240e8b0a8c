-- Up Migration

-- What the checks find in a plan, whole, as its page shows it until it has looked itself; null where it was not kept yet.
alter table plan_summaries add column findings jsonb;

-- Down Migration

alter table plan_summaries drop column findings;
