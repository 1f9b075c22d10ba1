-- +goose Up
-- Whoever keeps what a kitchen comes to hears of every change, whichever server made it.
-- +goose StatementBegin
create function kitchen_changed() returns trigger language plpgsql as $$
begin
  perform pg_notify('kitchen_changed', new.id::text);
  return new;
end $$;
-- +goose StatementEnd
create trigger kitchen_changed after update of pantry_revision on kitchen for each row execute function kitchen_changed();

-- +goose Down
drop trigger kitchen_changed on kitchen;
drop function kitchen_changed();
