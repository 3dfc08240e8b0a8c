-- Up Migration

-- How much was changed in a plan, or in the inventory (no plan), on a day (UTC): a line of history each, kept up by the
-- database itself as steps are appended, so that no log is read whole to tell it.
create table edit_days (
  owner_id uuid not null references owners on delete cascade,
  plan_id uuid references plans on delete cascade,
  day date not null,
  first_step integer not null,
  last_step integer not null,
  last_at timestamptz not null
);
create unique index edit_days_once on edit_days (owner_id, coalesce(plan_id, owner_id), day);
create index edit_days_by_time on edit_days (owner_id, last_at desc);

create function count_plan_edits() returns trigger language plpgsql as $$
begin
  insert into edit_days (owner_id, plan_id, day, first_step, last_step, last_at)
    select p.owner_id, p.id, (fresh.made_at at time zone 'UTC')::date, min(fresh.number), max(fresh.number), max(fresh.made_at)
    from fresh join plans p on p.id = fresh.plan_id
    group by p.owner_id, p.id, (fresh.made_at at time zone 'UTC')::date
  on conflict (owner_id, coalesce(plan_id, owner_id), day) do update set
    first_step = least(edit_days.first_step, excluded.first_step),
    last_step = greatest(edit_days.last_step, excluded.last_step),
    last_at = greatest(edit_days.last_at, excluded.last_at);
  return null;
end
$$;

create function count_inventory_edits() returns trigger language plpgsql as $$
begin
  insert into edit_days (owner_id, plan_id, day, first_step, last_step, last_at)
    select owner_id, null, (made_at at time zone 'UTC')::date, min(number), max(number), max(made_at)
    from fresh group by owner_id, (made_at at time zone 'UTC')::date
  on conflict (owner_id, coalesce(plan_id, owner_id), day) do update set
    first_step = least(edit_days.first_step, excluded.first_step),
    last_step = greatest(edit_days.last_step, excluded.last_step),
    last_at = greatest(edit_days.last_at, excluded.last_at);
  return null;
end
$$;

create trigger steps_are_counted after insert on steps
  referencing new table as fresh for each statement execute function count_plan_edits();
create trigger inventory_steps_are_counted after insert on inventory_steps
  referencing new table as fresh for each statement execute function count_inventory_edits();

insert into edit_days (owner_id, plan_id, day, first_step, last_step, last_at)
  select p.owner_id, p.id, (s.made_at at time zone 'UTC')::date, min(s.number), max(s.number), max(s.made_at)
  from steps s join plans p on p.id = s.plan_id group by p.owner_id, p.id, (s.made_at at time zone 'UTC')::date;
insert into edit_days (owner_id, plan_id, day, first_step, last_step, last_at)
  select owner_id, null, (made_at at time zone 'UTC')::date, min(number), max(number), max(made_at)
  from inventory_steps group by owner_id, (made_at at time zone 'UTC')::date;

-- What asked for a transfer: the same request is not carried out twice, however often it comes.
alter table transfers add column request uuid;
create unique index transfers_once on transfers (request);

-- Where a file was loaded, however many transfers there are.
create index transfers_by_source on transfers (source_file);
create index transfer_files_by_file on transfer_files (file_id);

-- Down Migration

drop index transfers_by_source, transfer_files_by_file;

alter table transfers drop column request;

drop trigger steps_are_counted on steps;
drop trigger inventory_steps_are_counted on inventory_steps;
drop function count_plan_edits();
drop function count_inventory_edits();
drop table edit_days;
