-- +goose NO TRANSACTION
-- +goose Up
-- What belongs to a kitchen, put away or not, is found without reading what belongs to others. Each is built while others
-- read and write; what was left by one that was broken off is taken away first.
drop index concurrently if exists build_of_kitchen;
create index concurrently build_of_kitchen on build (kitchen_id);
drop index concurrently if exists course_of_kitchen;
create index concurrently course_of_kitchen on course (kitchen_id);
drop index concurrently if exists try_of_kitchen;
create index concurrently try_of_kitchen on try (kitchen_id);
drop index concurrently if exists supper_of_kitchen;
create index concurrently supper_of_kitchen on supper (kitchen_id);

-- +goose Down
drop index concurrently if exists supper_of_kitchen;
drop index concurrently if exists try_of_kitchen;
drop index concurrently if exists course_of_kitchen;
drop index concurrently if exists build_of_kitchen;
