-- +goose Up
alter table kitchen add column pantry_revision bigint not null default 0;

-- What a kitchen knows of a food: whether it is at hand, its price, whether its
-- label was read, and the label of its own pack where that differs.
create table pantry_item (
  kitchen_id uuid not null references kitchen,
  food text not null,
  have boolean not null default false,
  per_kilo double precision check (per_kilo >= 0),
  label_checked boolean not null default false,
  pack jsonb,
  updated_at timestamptz not null default now(),
  primary key (kitchen_id, food)
);

-- +goose Down
drop table pantry_item;
alter table kitchen drop column pantry_revision;
