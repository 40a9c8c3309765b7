-- What the books and the price list ask of an ended visit stands beside it, small: ten years of it are read at once. It is told
-- from the visit's plan and from how it went, whenever that is written.
alter table outcomes add column money jsonb;

create function money_of(o outcomes) returns jsonb language sql stable as $$
  with of as (
    select v.plan, v.inputs, (v.plan -> 'minutes' ->> 'value')::float8 as planned, (o.summary ->> 'minutes')::float8 as taken
      from visits v where v.id = o.visit_id
  ), kinds as (
    select coalesce(jsonb_agg(s -> 'kind'), '[]') as all from of, jsonb_array_elements(of.plan -> 'steps') s
  )
  select jsonb_build_object(
    'service', coalesce(inputs -> 'today' ->> 'service', 'bath'),
    -- minutes that the hands were asked for: as much of the visit as the plan had them in it; the plan's where less than a third
    -- of it was timed, for then it was ticked through
    'hands', (case when taken < planned / 3 then planned else taken end)
      * least(1, (plan -> 'handMinutes' ->> 'value')::float8 / greatest(1, planned)),
    -- cents of what is known of its cost; null where nothing is
    'cost', (select round(100 * sum(c.value::text::float8)) from jsonb_each(o.summary -> 'cost') c
              where c.key <> 'productMl' and jsonb_typeof(c.value) = 'number'),
    'paid', case when jsonb_typeof(o.record -> 'paid' -> 'price') = 'object' then o.record -> 'paid' end,
    'kg', coalesce(inputs -> 'today' ->> 'weightKg', inputs -> 'dog' ->> 'weightKg')::float8,
    'mats', coalesce((select sum(m::text::float8) from jsonb_path_query(plan,
      '$.steps[*].minutes.because[*] ? (@.code == "hands.mats" && @.how == "add").effect') m), 0),
    'extras', (select coalesce(jsonb_agg(e.extra), '[]') from (values
        ('fleas', coalesce((inputs -> 'today' ->> 'fleas')::boolean, false)),
        ('helper', coalesce((inputs -> 'today' ->> 'helper')::boolean, false)),
        ('medicated', jsonb_path_exists(plan, '$.mix.bottles[*].product ? (@.kind == "medicated")')),
        ('teeth', kinds.all @> '["teeth"]'), ('glands', kinds.all @> '["glands"]')) as e (extra, has) where e.has),
    'agreed', nullif(inputs -> 'dog' -> 'price', 'null'::jsonb))
  from of, kinds
$$;

update outcomes o set money = money_of(o);

create function tell_money() returns trigger language plpgsql as $$
begin
  new.money := money_of(new);
  return new;
end $$;
create trigger money before insert or update on outcomes for each row execute function tell_money();

create index outcomes_by_dog on outcomes (dog_id, date);
