-- Rooms that share a database are told of their own changes alone: each schema has a channel of its own.
create function tell(about jsonb) returns void language sql as $$
  select pg_notify(
    case when current_schema() = 'public' then 'changes' else 'changes ' || current_schema() end, about::text)
$$;

create or replace function tell_change() returns trigger language plpgsql as $$
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
  perform tell(jsonb_build_object('what', what) || about);
  return null;
end $$;

create or replace function tell_taps() returns trigger language plpgsql as $$
declare
  one record;
begin
  for one in
    select v.id, v.date, v.dog_id, count(*) as many, jsonb_agg(t.id) as taps
      from added t join visits v on v.id = t.visit_id group by v.id, v.date, v.dog_id
  loop
    perform tell(jsonb_build_object(
      'what', 'taps', 'id', one.id, 'date', one.date, 'dog', one.dog_id,
      'taps', case when one.many <= 50 then one.taps end));
  end loop;
  return null;
end $$;

create or replace function tell_stock() returns trigger language plpgsql as $$
declare
  r record;
begin
  if TG_OP = 'DELETE' then r := old; else r := new; end if;
  perform tell(jsonb_build_object('what', 'stock', 'id', r.product_id));
  return null;
end $$;
