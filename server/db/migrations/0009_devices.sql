-- Devices on the local network that were let in: what they may do, and the hash of the secret that each one holds.
create table devices (
  id uuid primary key default gen_random_uuid(),
  name text not null,
  role text not null check (role in ('whole', 'tub')),
  secret text not null,
  paired_at timestamptz not null default now(),
  used_at timestamptz not null default now(),
  revoked_at timestamptz
);
