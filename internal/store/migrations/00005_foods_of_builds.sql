-- +goose Up
-- The foods of the newest version, so that a search need not open every document.
alter table build add column foods text[] not null default '{}';
update build b set foods = coalesce((
  select array_agg(distinct l->>'food') from build_version v, jsonb_array_elements(v.document->'lines') l
  where v.build_id = b.id and v.number = b.version), '{}');
create index build_foods on build using gin (foods);

-- +goose Down
alter table build drop column foods;
