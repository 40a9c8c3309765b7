create table visit_events (
  id uuid primary key,
  visit_id uuid not null references visits (id) on delete cascade,
  at bigint not null,
  event jsonb not null,
  received_at timestamptz not null default now()
);
create index visit_events_by_visit on visit_events (visit_id, at, id);
