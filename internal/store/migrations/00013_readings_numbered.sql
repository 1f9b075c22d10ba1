-- +goose Up
-- Readings have numbers, as events do, so that another server can ask for those that it does not know.
-- Those that were kept before have none: whoever opens a cooking reads them all.
alter table course add reading_seq bigint not null default 0;
alter table course_reading add seq bigint not null default 0;
create index course_reading_by_seq on course_reading (course_id, seq);

-- +goose StatementBegin
create or replace function course_changed() returns trigger language plpgsql as $$
begin
  -- One that is put away has no numbers.
  perform pg_notify('course_changed', new.id::text || case when new.deleted_at is null then ' ' || new.seq::text || ' ' || new.reading_seq::text else ' -1 -1' end);
  return new;
end $$;
-- +goose StatementEnd
drop trigger course_changed on course;
create trigger course_changed after update of seq, reading_seq, deleted_at on course for each row execute function course_changed();

-- +goose Down
-- +goose StatementBegin
create or replace function course_changed() returns trigger language plpgsql as $$
begin
  perform pg_notify('course_changed', new.id::text || ' ' || new.seq::text);
  return new;
end $$;
-- +goose StatementEnd
drop trigger course_changed on course;
create trigger course_changed after update of seq on course for each row execute function course_changed();
drop index course_reading_by_seq;
alter table course_reading drop seq;
alter table course drop reading_seq;
