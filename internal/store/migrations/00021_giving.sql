-- +goose Up
-- Whether the kitchen gives its tries to the common figures of foods: nobody does without having said so.
alter table kitchen add column gives boolean not null default false;

-- +goose Down
alter table kitchen drop column gives;
