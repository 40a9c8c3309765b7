-- Every change of what is kept, in the order in which it was made, in the same transaction: what a row was before it
-- was changed or deleted (nothing when it is new), and which device asked for it, where that is known.
create table changes (
  id bigint generated always as identity primary key,
  at timestamptz not null default now(),
  tx bigint not null default (pg_current_xact_id()::text)::bigint,
  device text,
  what text not null,
  key text not null,
  op text not null check (op in ('insert', 'update', 'delete')),
  before jsonb
);
create index changes_of on changes (what, key, id);
create index changes_by_tx on changes (tx);
create index changes_deleted on changes (at) where op = 'delete';

create function note_change() returns trigger language plpgsql as $$
declare
  r jsonb;
begin
  if TG_OP = 'INSERT' then r := to_jsonb(new); else r := to_jsonb(old); end if;
  insert into changes (device, what, key, op, before)
    values (nullif(current_setting('juvant.device', true), ''), TG_TABLE_NAME, r ->> TG_ARGV[0], lower(TG_OP),
            case when TG_OP = 'INSERT' then null else r end);
  return null;
end $$;

create trigger note after insert or update or delete on dogs for each row execute function note_change('id');
create trigger note after insert or update or delete on products for each row execute function note_change('id');
create trigger note after insert or update or delete on house for each row execute function note_change('id');
create trigger note after insert or update or delete on findings for each row execute function note_change('id');
create trigger note after insert or update or delete on standings for each row execute function note_change('id');
create trigger note after insert or update or delete on days for each row execute function note_change('id');
create trigger note after insert or update or delete on visits for each row execute function note_change('id');
-- What visits used and how they went is told anew from their taps: only what was written by hand is noted.
create trigger note after insert on movements for each row when (new.kind <> 'used') execute function note_change('id');
create trigger note_gone after delete on movements for each row when (old.kind <> 'used') execute function note_change('id');
create trigger note_gone after delete on visit_events for each row execute function note_change('id');

-- Taps are never changed, and come many at a time: each visit that got some is noted once.
create function note_taps() returns trigger language plpgsql as $$
begin
  insert into changes (device, what, key, op)
    select nullif(current_setting('juvant.device', true), ''), 'visit_events', visit_id::text, 'insert'
      from added group by visit_id;
  return null;
end $$;
create trigger note after insert on visit_events referencing new table as added
  for each statement execute function note_taps();
