-- Which room this is, so that its backups are known to be its own: one row, made when a room begins.
create table room (
  id uuid primary key
);
