-- +goose Up
-- What the cook says of the kitchen itself; null takes the usual ones.
alter table kitchen add column settings jsonb;

-- +goose Down
alter table kitchen drop column settings;
