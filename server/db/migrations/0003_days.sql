create table days (
  id uuid primary key default gen_random_uuid(),
  version integer not null default 1,
  date date not null unique,
  record jsonb not null,
  changed_at timestamptz not null default now()
);

create table standings (
  id uuid primary key default gen_random_uuid(),
  version integer not null default 1,
  record jsonb not null,
  position integer generated always as identity,
  changed_at timestamptz not null default now(),
  deleted_at timestamptz
);

create function house_with_sizes(house jsonb) returns jsonb language sql immutable as $$
  select case when jsonb_typeof(house -> 'crates') = 'number' then
    (house - 'crates' - 'crateMaxKg' - 'circuit') || jsonb_build_object(
      'crates', jsonb_build_array(jsonb_build_object(
        'maxKg', greatest(1, coalesce((house ->> 'crateMaxKg')::numeric, 25)),
        'count', coalesce((house ->> 'crates')::integer, 3))),
      'circuits', jsonb_build_array(
        jsonb_build_object('name', 'Sockets') || coalesce(house -> 'circuit', '{"volts": 230, "amps": 13}'::jsonb)))
  else house end
$$;

update house set record = house_with_sizes(record);
update visits set inputs = jsonb_set(inputs, '{house}', house_with_sizes(inputs -> 'house'));

drop function house_with_sizes(jsonb);
