-- +goose Up
-- A server holds several kitchens. The demonstration's is marked, so that nobody takes its figures for their own.
alter table kitchen
  add column made_up boolean not null default false,
  -- When a kitchen is put away nobody is shown it until it is brought back; from erase_at on it is erased.
  add column put_away_at timestamptz,
  add column erase_at timestamptz,
  add constraint kitchen_name_is_short check (char_length(name) between 1 and 200);
update kitchen set made_up = true where name = 'Saltmarsh Rowing Club';

-- Rows that are only ever added go with their kitchen, where it is erased.
-- +goose StatementBegin
create or replace function only_added() returns trigger language plpgsql as $$
begin
  if tg_op = 'DELETE' and current_setting('cuerda.erasing', true) = 'on' then
    return old;
  end if;
  raise exception 'rows of % are only ever added', tg_table_name using errcode = 'restrict_violation';
end $$;
-- +goose StatementEnd

-- +goose Down
-- +goose StatementBegin
create or replace function only_added() returns trigger language plpgsql as $$
begin
  raise exception 'rows of % are only ever added', tg_table_name using errcode = 'restrict_violation';
end $$;
-- +goose StatementEnd
alter table kitchen drop constraint kitchen_name_is_short, drop column made_up, drop column put_away_at, drop column erase_at;
