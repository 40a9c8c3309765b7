create table findings (
  id uuid primary key default gen_random_uuid(),
  version integer not null default 1,
  dog_id uuid not null references dogs (id),
  record jsonb not null,
  position integer generated always as identity,
  changed_at timestamptz not null default now(),
  deleted_at timestamptz
);
create index findings_by_dog on findings (dog_id) where deleted_at is null;
