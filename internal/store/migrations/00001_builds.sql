-- +goose Up
create table kitchen (
  id uuid primary key default gen_random_uuid(),
  name text not null,
  created_at timestamptz not null default now()
);

create table build (
  id uuid primary key default gen_random_uuid(),
  kitchen_id uuid not null references kitchen,
  name text not null,
  version integer not null check (version > 0),
  created_at timestamptz not null default now(),
  updated_at timestamptz not null default now(),
  deleted_at timestamptz
);
create index build_newest on build (kitchen_id, updated_at desc, id) where deleted_at is null;

create table build_version (
  build_id uuid not null references build on delete cascade,
  number integer not null check (number > 0),
  document jsonb not null,
  created_at timestamptz not null default now(),
  primary key (build_id, number)
);

-- A version is never changed: going back to one adds a new one.
-- +goose StatementBegin
create function refuse_change() returns trigger language plpgsql as $$
begin
  raise exception 'a version of a build is never changed';
end $$;
-- +goose StatementEnd
create trigger build_version_is_immutable before update on build_version
  for each row execute function refuse_change();

-- +goose Down
drop table build_version;
drop table build;
drop table kitchen;
drop function refuse_change;
