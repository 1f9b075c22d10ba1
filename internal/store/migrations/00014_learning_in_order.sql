-- +goose Up
-- What a kitchen learned is of its tries as they were at some moment: one that was worked out of fewer never replaces one
-- that was worked out of more.
alter table kitchen add tries_revision bigint not null default 0;
alter table kitchen_learned add of_revision bigint not null default 0;
-- Which version of the program worked it out.
alter table kitchen_learned add model text not null default '';

-- +goose StatementBegin
create function tries_changed() returns trigger language plpgsql as $$
begin
  update kitchen set tries_revision = tries_revision + 1 where id = new.kitchen_id;
  return new;
end $$;
-- +goose StatementEnd
create trigger tries_changed after insert or update on try for each row execute function tries_changed();

-- +goose Down
drop trigger tries_changed on try;
drop function tries_changed();
alter table kitchen_learned drop model;
alter table kitchen_learned drop of_revision;
alter table kitchen drop tries_revision;
