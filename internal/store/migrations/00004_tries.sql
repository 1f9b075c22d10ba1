-- +goose Up
-- A try that was branched from a version of another build.
alter table build
  add column from_build uuid references build on delete set null,
  add column from_version integer check (from_version > 0);
create index build_tries on build (from_build) where from_build is not null;

-- What a cook calls a version. Versions never change; their names may.
create table version_name (
  build_id uuid not null,
  number integer not null,
  name text not null check (char_length(name) between 1 and 200),
  primary key (build_id, number),
  foreign key (build_id, number) references build_version on delete cascade
);

-- +goose Down
drop table version_name;
alter table build drop column from_build, drop column from_version;
