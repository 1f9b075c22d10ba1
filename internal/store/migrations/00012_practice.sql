-- +goose Up
-- Practice belongs to a person in the kitchen. What they called is only ever added; a sitting holds its drills
-- as they were asked until it is over.
create table practice_person (
  id uuid primary key default gen_random_uuid(),
  kitchen_id uuid not null references kitchen,
  name text not null default '' check (char_length(name) <= 60),
  created_at timestamptz not null default now(),
  gone_at timestamptz
);
create index practice_person_of_kitchen on practice_person (kitchen_id, created_at, id);

create table practice_sitting (
  id uuid primary key default gen_random_uuid(),
  person_id uuid not null references practice_person,
  drills jsonb not null,
  began_at timestamptz not null default now(),
  ended_at timestamptz
);
create unique index practice_sitting_runs on practice_sitting (person_id) where ended_at is null;

create table practice_call (
  seq bigint generated always as identity primary key,
  person_id uuid not null references practice_person,
  id text not null check (char_length(id) between 1 and 64),
  sitting_id uuid references practice_sitting,
  number integer,
  at timestamptz not null,
  call jsonb not null,
  unique (person_id, id),
  unique (sitting_id, number)
);
create index practice_call_in_time on practice_call (person_id, at, seq);
create trigger only_added before update or delete on practice_call for each row execute function only_added();

-- +goose Down
drop table practice_call;
drop table practice_sitting;
drop table practice_person;
