-- Photographs of dogs: before and after, and of findings. Small pictures (JPEG, in base64) beside what they belong to.
create table photos (
  id uuid primary key default gen_random_uuid(),
  dog_id uuid not null references dogs (id) on delete cascade,
  visit_id uuid references visits (id) on delete set null,
  finding_id uuid,
  shows text not null check (shows in ('before', 'after', 'finding', 'other')),
  taken_at timestamptz not null,
  width integer not null,
  height integer not null,
  note text not null default '',
  content text not null
);
create index photos_by_dog on photos (dog_id, taken_at);
create index photos_by_visit on photos (visit_id) where visit_id is not null;

-- A photograph that was deleted is gone: that it was there is noted, not what it showed.
create function note_photo() returns trigger language plpgsql as $$
declare
  r record;
begin
  if TG_OP = 'DELETE' then r := old; else r := new; end if;
  insert into changes (device, what, key, op)
    values (nullif(current_setting('juvant.device', true), ''), 'photos', r.id::text, lower(TG_OP));
  return null;
end $$;
create trigger note after insert or update or delete on photos for each row execute function note_photo();

create function tell_photo() returns trigger language plpgsql as $$
declare
  r record;
begin
  if TG_OP = 'DELETE' then r := old; else r := new; end if;
  perform tell(jsonb_build_object('what', 'photos', 'id', r.id, 'dog', r.dog_id));
  return null;
end $$;
create trigger tell after insert or update or delete on photos for each row execute function tell_photo();
