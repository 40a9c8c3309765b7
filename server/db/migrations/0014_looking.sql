-- A device may be let in to look on alone; and what each device last did is found at once.
alter table devices drop constraint devices_role_check;
alter table devices add constraint devices_role_check check (role in ('whole', 'tub', 'look'));
create index changes_by_device on changes (device, id) where device is not null and device <> '';
