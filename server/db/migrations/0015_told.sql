-- What was last worked out of the whole log, and of which log: it takes seconds after years, and is shown while it is made anew.
create table told (
  job text primary key,
  key text not null,
  made jsonb not null
);

-- What is done once a day, by whichever of the programs that share a room comes first.
create table chores (
  name text primary key,
  done_on date not null
);
