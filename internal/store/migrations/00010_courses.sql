-- +goose Up
-- A cooking: what was planned, and the events of it, which are only ever added.
create table course (
  id uuid primary key default gen_random_uuid(),
  kitchen_id uuid not null references kitchen,
  name text not null,
  table_at timestamptz not null,
  plan jsonb not null,
  -- When it began by its own clock, and by the server's.
  start_at timestamptz not null,
  began_at timestamptz not null,
  -- What instruments show to send readings to it.
  token text not null unique,
  seq bigint not null default 0,
  ended_at timestamptz,
  created_at timestamptz not null default now(),
  deleted_at timestamptz
);
create index course_by_time on course (kitchen_id, start_at desc, id) where deleted_at is null;

create table course_event (
  course_id uuid not null references course,
  seq bigint not null,
  id text not null check (char_length(id) between 1 and 64),
  at timestamptz not null,
  received_at timestamptz not null,
  event jsonb not null,
  primary key (course_id, seq),
  unique (course_id, id)
);

create table course_reading (
  course_id uuid not null references course,
  source text not null check (char_length(source) <= 80),
  place text not null,
  dish integer not null,
  at timestamptz not null,
  celsius double precision not null,
  primary key (course_id, source, place, dish, at)
);

-- What a cooking taught: a build as it was made, and how it came out.
create table try (
  id uuid primary key default gen_random_uuid(),
  kitchen_id uuid not null references kitchen,
  build_id uuid references build on delete set null,
  version integer,
  course_id uuid references course on delete set null,
  dish integer not null default 0,
  cooked_at timestamptz not null,
  document jsonb not null,
  found jsonb not null,
  created_at timestamptz not null default now(),
  deleted_at timestamptz,
  unique (course_id, dish)
);
create index try_by_time on try (kitchen_id, cooked_at desc, id) where deleted_at is null;

create table photo (
  id uuid primary key default gen_random_uuid(),
  kitchen_id uuid not null references kitchen,
  media_type text not null,
  width integer not null,
  height integer not null,
  data bytea not null check (octet_length(data) <= 8388608),
  created_at timestamptz not null default now()
);

-- +goose StatementBegin
create function only_added() returns trigger language plpgsql as $$
begin
  raise exception 'rows of % are only ever added', tg_table_name using errcode = 'restrict_violation';
end $$;
-- +goose StatementEnd
create trigger only_added before update or delete on course_event for each row execute function only_added();
create trigger only_added before update or delete on course_reading for each row execute function only_added();

-- +goose StatementBegin
create function course_changed() returns trigger language plpgsql as $$
begin
  perform pg_notify('course_changed', new.id::text || ' ' || new.seq::text);
  return new;
end $$;
-- +goose StatementEnd
create trigger course_changed after update of seq on course for each row execute function course_changed();

-- +goose Down
drop table photo;
drop table try;
drop table course_reading;
drop table course_event;
drop table course;
drop function only_added();
drop function course_changed();
