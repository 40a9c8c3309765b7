create sequence outcome_stamp;

-- What ended visits came to, told from their events; kept beside them so that a list needs no events.
create table outcomes (
  visit_id uuid primary key references visits (id) on delete cascade,
  dog_id uuid not null,
  date date not null,
  coat text not null,
  record jsonb not null,
  summary jsonb not null,
  stamp bigint not null default nextval('outcome_stamp')
);
create index outcomes_by_date on outcomes (date desc);
create index outcomes_by_stamp on outcomes (stamp);

-- Minutes of steps and zones by kind, as learning reads them.
create table step_minutes (
  visit_id uuid not null references outcomes (visit_id) on delete cascade,
  kind text not null,
  dog_id uuid not null,
  coat text not null,
  date date not null,
  model double precision not null,
  actual double precision not null,
  aside text,
  primary key (visit_id, kind)
);
