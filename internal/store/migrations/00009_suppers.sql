-- +goose Up
create table supper (
  id uuid primary key default gen_random_uuid(),
  kitchen_id uuid not null references kitchen,
  name text not null,
  table_at timestamptz not null,
  version integer not null default 1 check (version > 0),
  document jsonb not null,
  created_at timestamptz not null default now(),
  updated_at timestamptz not null default now(),
  deleted_at timestamptz
);
create index supper_by_table on supper (kitchen_id, table_at desc, id) where deleted_at is null;

-- +goose Down
drop table supper;
