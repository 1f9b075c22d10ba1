-- +goose Up
-- A try can be found by its dish, its foods, its words and how it came out; what was said of it
-- when it was cooked stays with it.
alter table try
  add column kind text not null default 'try' check (kind in ('try', 'patties')),
  add column name text not null default '',
  add column words text not null default '',
  add column foods text[] not null default '{}',
  add column outcome text not null default 'unsaid',
  add column said jsonb,
  add column patties jsonb,
  add column left_out boolean not null default false,
  add column revision integer not null default 1,
  add column updated_at timestamptz not null default now();
update try set name = coalesce(document->>'name', ''), words = coalesce(found->>'note', ''),
  foods = coalesce((select array_agg(distinct l->>'food') from jsonb_array_elements(document->'lines') l), '{}'),
  outcome = coalesce(nullif(found->>'hold', ''), 'unsaid');
create index try_of_build on try (build_id, cooked_at desc) where deleted_at is null;

-- What the tries of a kitchen taught, and what of it its cooks leave out or have forgotten.
create table kitchen_learned (
  kitchen_id uuid primary key references kitchen,
  choices jsonb not null default '{}',
  learned jsonb,
  updated_at timestamptz not null default now()
);

-- +goose Down
drop table kitchen_learned;
drop index try_of_build;
delete from try where kind = 'patties';
alter table try drop column kind, drop column name, drop column words, drop column foods, drop column outcome,
  drop column said, drop column patties, drop column left_out, drop column revision, drop column updated_at;
