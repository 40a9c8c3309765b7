create table dogs (
  id uuid primary key default gen_random_uuid(),
  version integer not null default 1,
  record jsonb not null,
  name text generated always as (record ->> 'name') stored,
  breed text generated always as (record ->> 'breed') stored,
  changed_at timestamptz not null default now(),
  deleted_at timestamptz
);
create index dogs_by_name on dogs (lower(name)) where deleted_at is null;

create table products (
  id uuid primary key default gen_random_uuid(),
  version integer not null default 1,
  record jsonb not null,
  position integer generated always as identity,
  changed_at timestamptz not null default now(),
  deleted_at timestamptz
);

create table house (
  id uuid primary key default gen_random_uuid(),
  version integer not null default 1,
  record jsonb not null,
  changed_at timestamptz not null default now(),
  only_one boolean not null default true unique check (only_one)
);

create table visits (
  id uuid primary key default gen_random_uuid(),
  version integer not null default 1,
  dog_id uuid not null references dogs (id),
  date date not null,
  engine text not null,
  inputs jsonb not null,
  plan jsonb not null,
  changed_at timestamptz not null default now()
);
create index visits_by_dog on visits (dog_id, date desc);
create index visits_by_date on visits (date desc);
