-- What owners answer before a visit and two days after, about a dog's visit of a date.
create table answers (
  id uuid primary key default gen_random_uuid(),
  dog_id uuid not null references dogs (id) on delete cascade,
  kind text not null check (kind in ('before', 'after')),
  date date not null,
  answers jsonb not null,
  said_at timestamptz not null default now()
);
create index answers_by_dog on answers (dog_id, date);

create trigger note after insert or update or delete on answers for each row execute function note_change('id');

create function tell_answers() returns trigger language plpgsql as $$
declare
  r record;
begin
  if TG_OP = 'DELETE' then r := old; else r := new; end if;
  perform tell(jsonb_build_object('what', 'answers', 'id', r.id, 'dog', r.dog_id));
  return null;
end $$;
create trigger tell after insert or update or delete on answers for each row execute function tell_answers();
