-- Owners as records of their own, told apart by name and by how they are reached. What dogs' records say of them is a copy,
-- kept the same here, whoever writes it: a number that changes, changes in all dogs of an owner.
create table owners (
  id uuid primary key default gen_random_uuid(),
  version integer not null default 1,
  record jsonb not null,
  changed_at timestamptz not null default now(),
  deleted_at timestamptz,
  -- whose it became when two of them were one
  joined uuid references owners (id)
);
create unique index owners_apart on owners (lower(record ->> 'name'), (record ->> 'contact')) where deleted_at is null;

alter table dogs add column owner_id uuid references owners (id);
create index dogs_by_owner on dogs (owner_id);

-- What is written into an account beside its visits; only ever added.
create table entries (
  id uuid primary key default gen_random_uuid(),
  owner_id uuid not null references owners (id),
  at timestamptz not null default now(),
  entry jsonb not null
);
create index entries_by_owner on entries (owner_id, at);

-- What stands in dogs' records becomes an owner: no word is lost.
with said as (
  select btrim(coalesce(record ->> 'owner', '')) as name, btrim(coalesce(record ->> 'ownerContact', '')) as contact,
         btrim(coalesce(record ->> 'secondContact', '')) as other, changed_at
    from dogs
), each_owner as (
  select (array_agg(name order by changed_at desc))[1] as name, contact,
         coalesce(string_agg(distinct nullif(other, ''), '; '), '') as others
    from said where name <> '' or contact <> '' group by lower(name), contact
)
insert into owners (record)
  select jsonb_build_object('name', name, 'contact', contact, 'secondContact', left(others, 200),
           'notes', case when length(others) > 200 then 'Whom to reach else: ' || others else '' end)
    from each_owner;

alter table dogs disable trigger user;
update dogs d set owner_id = o.id,
    record = d.record || jsonb_build_object('owner', o.record -> 'name', 'ownerContact', o.record -> 'contact',
                                            'secondContact', o.record -> 'secondContact')
  from owners o
 where lower(o.record ->> 'name') = lower(btrim(coalesce(d.record ->> 'owner', '')))
   and o.record ->> 'contact' = btrim(coalesce(d.record ->> 'ownerContact', ''))
   and (d.record ->> 'owner' <> '' or d.record ->> 'ownerContact' <> '');
alter table dogs enable trigger user;

-- Whose a dog is, by what its record says. Somebody with that name and contact; of a new dog with the name alone, where there is
-- one of it and no contact is said; else the owner it had goes by other words now, where that is the same person or has no
-- other dog; else somebody new.
create function own_dog() returns trigger language plpgsql as $$
declare
  called text := btrim(coalesce(new.record ->> 'owner', ''));
  reach text := btrim(coalesce(new.record ->> 'ownerContact', ''));
  other text := btrim(coalesce(new.record ->> 'secondContact', ''));
  before uuid := case when TG_OP = 'UPDATE' then old.owner_id end;
  had jsonb;
  found uuid;
  says jsonb;
begin
  if called = '' and reach = '' then
    new.owner_id := null;
    return new;
  end if;
  select record into had from owners where id = before;
  select id into found from owners
   where lower(record ->> 'name') = lower(called) and record ->> 'contact' = reach and deleted_at is null;
  if found is null and reach = '' and TG_OP = 'INSERT' then
    select (array_agg(id))[1] into found from owners
     where lower(record ->> 'name') = lower(called) and deleted_at is null having count(*) = 1;
    if found is not null then
      select record ->> 'contact' into reach from owners where id = found;
    end if;
  end if;
  if found is null and before is not null and (lower(had ->> 'name') = lower(called)
     or not exists (select 1 from dogs where owner_id = before and id <> new.id)) then
    found := before;
  end if;
  if found is null then
    insert into owners (record)
      values (jsonb_build_object('name', called, 'contact', reach, 'secondContact', other, 'notes', ''))
      returning id into found;
  elsif found is distinct from before then
    -- a dog more: whom to reach else is whatever either says
    select case when other = '' then record ->> 'secondContact'
                when record ->> 'secondContact' = '' or position(record ->> 'secondContact' in other) > 0 then other
                when position(other in record ->> 'secondContact') > 0 then record ->> 'secondContact'
                else left((record ->> 'secondContact') || '; ' || other, 200) end
      into other from owners where id = found;
    select record ->> 'name' into called from owners where id = found;
  end if;
  says := jsonb_build_object('name', called, 'contact', reach, 'secondContact', other);
  update owners set record = record || says, version = version + 1, changed_at = now()
   where id = found and not record @> says;
  new.owner_id := found;
  new.record := new.record || jsonb_build_object('owner', called, 'ownerContact', reach, 'secondContact', other);
  return new;
end $$;
create trigger own before insert or update of record on dogs for each row execute function own_dog();

-- All dogs of an owner say the same of it.
create function say_owner() returns trigger language plpgsql as $$
begin
  -- what changed nothing is told of too
  if not exists (select 1 from written where owner_id is not null) then
    return null;
  end if;
  update dogs d set record = d.record || s.says, version = d.version + 1, changed_at = now()
    from (select o.id, jsonb_build_object('owner', o.record -> 'name', 'ownerContact', o.record -> 'contact',
                                          'secondContact', o.record -> 'secondContact') as says
            from owners o where o.id in (select owner_id from written)) s
   where d.owner_id = s.id and not d.record @> s.says;
  return null;
end $$;
create trigger say after insert on dogs referencing new table as written for each statement execute function say_owner();
create trigger say_again after update on dogs referencing new table as written for each statement execute function say_owner();

create trigger note after insert or update or delete on owners for each row execute function note_change('id');
create trigger note after insert or update or delete on entries for each row execute function note_change('id');
create trigger tell after insert or update or delete on owners for each row execute function tell_change('owners');

create function tell_entries() returns trigger language plpgsql as $$
declare
  r record;
begin
  if TG_OP = 'DELETE' then r := old; else r := new; end if;
  perform tell(jsonb_build_object('what', 'owners', 'id', r.owner_id));
  return null;
end $$;
create trigger tell after insert or update or delete on entries for each row execute function tell_entries();

-- A receipt is of a visit, or of a payment into an account.
alter table receipts rename column visit_id to of_id;
