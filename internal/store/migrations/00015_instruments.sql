-- +goose Up
-- What instruments show to send what they measure, as a hash: who reads the database learns no token. It ends with its
-- cooking.
create table course_token (
  hash bytea primary key check (octet_length(hash) = 32),
  course_id uuid not null references course on delete cascade,
  created_at timestamptz not null default now()
);
create index course_token_by_course on course_token (course_id);
insert into course_token (hash, course_id) select sha256(convert_to(token, 'UTF8')), id from course where ended_at is null;
alter table course drop column token;

-- +goose Down
alter table course add column token text;
update course set token = gen_random_uuid()::text;
alter table course alter column token set not null;
alter table course add unique (token);
drop table course_token;
