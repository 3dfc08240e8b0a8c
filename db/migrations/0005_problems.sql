-- What was counted as trips is counted as problems.
alter table plan_summaries rename column trips to problems;
