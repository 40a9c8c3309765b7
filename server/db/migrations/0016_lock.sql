-- A shared device may ask for four digits once nobody has touched it for a while: the digits as their hash, and the while.
alter table devices add column lock_hash text;
alter table devices add column lock_minutes integer check (lock_minutes between 1 and 60);
