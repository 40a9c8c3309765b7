-- Days whose money was counted and closed: all up to one, since those closed before. What was said of their money by then stays.
create table closings (
  id uuid primary key default gen_random_uuid(),
  until date not null,
  at timestamptz not null default now(),
  currency text not null,
  till jsonb not null
);
create trigger note after insert or update or delete on closings for each row execute function note_change('id');

create function tell_closings() returns trigger language plpgsql as $$
begin
  perform tell(jsonb_build_object('what', 'closings'));
  return null;
end $$;
create trigger tell after insert or update or delete on closings for each row execute function tell_closings();
