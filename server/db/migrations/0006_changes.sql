-- Says of every change, once it is kept, what it is about: listeners on the channel "changes" get a JSON object.
create function tell_change() returns trigger language plpgsql as $$
declare
  what text := TG_ARGV[0];
  r record;
  about jsonb;
begin
  if TG_OP = 'DELETE' then r := old; else r := new; end if;
  if what = 'days' then about := jsonb_build_object('date', r.date);
  elsif what = 'visits' then about := jsonb_build_object('id', r.id, 'date', r.date, 'dog', r.dog_id);
  elsif what = 'outcomes' then about := jsonb_build_object('id', r.visit_id, 'date', r.date, 'dog', r.dog_id);
  elsif what = 'findings' then about := jsonb_build_object('id', r.id, 'dog', r.dog_id);
  else about := jsonb_build_object('id', r.id);
  end if;
  perform pg_notify('changes', (jsonb_build_object('what', what) || about)::text);
  return null;
end $$;

create trigger tell after insert or update or delete on dogs for each row execute function tell_change('dogs');
create trigger tell after insert or update or delete on products for each row execute function tell_change('products');
create trigger tell after insert or update or delete on house for each row execute function tell_change('house');
create trigger tell after insert or update or delete on findings for each row execute function tell_change('findings');
create trigger tell after insert or update or delete on standings for each row execute function tell_change('standings');
create trigger tell after insert or update or delete on days for each row execute function tell_change('days');
create trigger tell after insert or update or delete on visits for each row execute function tell_change('visits');
create trigger tell after insert or delete on outcomes for each row execute function tell_change('outcomes');

-- Taps come many at a time: one message for each visit, with their ids while they are few.
create function tell_taps() returns trigger language plpgsql as $$
declare
  one record;
begin
  for one in
    select v.id, v.date, v.dog_id, count(*) as many, jsonb_agg(t.id) as taps
      from added t join visits v on v.id = t.visit_id group by v.id, v.date, v.dog_id
  loop
    perform pg_notify('changes', jsonb_build_object(
      'what', 'taps', 'id', one.id, 'date', one.date, 'dog', one.dog_id,
      'taps', case when one.many <= 50 then one.taps end)::text);
  end loop;
  return null;
end $$;

create trigger tell after insert on visit_events referencing new table as added
  for each statement execute function tell_taps();
