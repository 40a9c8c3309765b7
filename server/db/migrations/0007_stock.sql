-- What came and went of every product: mL (a bar or a powder: g). What visits used goes with them.
create table movements (
  id uuid primary key default gen_random_uuid(),
  product_id uuid not null references products (id) on delete cascade,
  kind text not null check (kind in ('opened', 'used', 'counted', 'thrown', 'lost')),
  ml double precision not null check (ml >= 0),
  at timestamptz not null,
  note text not null default '',
  visit_id uuid references visits (id) on delete cascade,
  check ((kind = 'used') = (visit_id is not null))
);
create index movements_by_product on movements (product_id, at desc);
create index movements_by_visit on movements (visit_id) where visit_id is not null;
create index movements_by_use on movements (at) include (product_id, ml) where kind = 'used';

-- What ended visits used before there was a stock: by the names that their shelf had then.
insert into movements (product_id, kind, ml, at, visit_id)
  select distinct on (o.visit_id, p.id) p.id, 'used', (u ->> 'amount')::float8,
         to_timestamp((o.record ->> 'ended')::float8 / 1000), o.visit_id
    from outcomes o
    join visits v on v.id = o.visit_id
    cross join lateral jsonb_array_elements(o.record -> 'used') as u
    cross join lateral jsonb_array_elements(v.inputs -> 'products') as shelved
    join products p on p.id::text = shelved ->> 'id'
   where shelved ->> 'name' = u ->> 'name' and (u ->> 'amount')::float8 >= 0
     and jsonb_typeof(o.record -> 'ended') = 'number';

create function tell_stock() returns trigger language plpgsql as $$
declare
  r record;
begin
  if TG_OP = 'DELETE' then r := old; else r := new; end if;
  perform pg_notify('changes', jsonb_build_object('what', 'stock', 'id', r.product_id)::text);
  return null;
end $$;
create trigger tell after insert or update or delete on movements for each row execute function tell_stock();
