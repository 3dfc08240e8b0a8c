-- Up Migration

-- What was counted as trips is counted as problems.

alter table plan_summaries rename column trips to problems;

-- Down Migration

alter table plan_summaries rename column problems to trips;
