-- What was last worked out of the whole log, and of which log: it takes seconds after years, and is shown while it is made anew.
create table told (
  job text primary key,
  key text not null,
  made jsonb not null
);
