-- Receipts as they were given: numbered one after the other without a gap, and never changed. They stay when their visit goes.
create table receipts (
  id uuid primary key default gen_random_uuid(),
  number integer not null unique check (number > 0),
  visit_id uuid not null,
  record jsonb not null,
  given_at timestamptz not null default now(),
  printed integer not null default 0
);
create index receipts_by_visit on receipts (visit_id);

create trigger note after insert or update or delete on receipts for each row execute function note_change('id');
