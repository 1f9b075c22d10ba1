-- +goose Up
-- Foods of a kitchen's own. They are never deleted, since builds may have them: one
-- that is gone is no longer offered.
create table own_food (
  kitchen_id uuid not null references kitchen,
  id text not null check (id ~ '^own-[a-z0-9-]{1,60}$'),
  food jsonb not null,
  created_at timestamptz not null default now(),
  primary key (kitchen_id, id)
);

-- +goose Down
drop table own_food;
