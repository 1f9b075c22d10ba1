-- +goose Up
-- Readings lie in one partition for each month in which their cooking was begun here, so that old ones go by dropping a
-- table and nothing is vacuumed for them. Data of pictures lies in a table of its own, addressed by what is in it. The
-- version before this one goes on beside it by two views of the old names; the next one drops them.

-- What the version before writes to is locked at once and in the order in which it does: a lock that grows later, while
-- somebody cooks, would end in a deadlock.
lock table kitchen in share row exclusive mode;
lock table course in access exclusive mode;
lock table course_reading in access exclusive mode;
lock table photo in access exclusive mode;

create table reading (
  month date not null default date_trunc('month', now() at time zone 'UTC')::date,
  course_id uuid not null references course,
  source text not null check (char_length(source) <= 80),
  place text not null,
  dish integer not null,
  at timestamptz not null,
  celsius double precision not null,
  seq bigint not null default 0,
  primary key (course_id, source, place, dish, at, month)
) partition by range (month);
create index reading_by_seq on reading (course_id, seq);
create trigger only_added before update or delete on reading for each row execute function only_added();
alter table reading enable row level security, force row level security;
create policy reads on reading for select using ((select cuerda_scope()) = 'server' or exists (select from course where id = course_id));
create policy changes on reading for all using ((select cuerda_scope()) = 'server' or (select cuerda_changes()) and exists (select from course where id = course_id)) with check ((select cuerda_scope()) = 'server' or (select cuerda_changes()) and exists (select from course where id = course_id));

-- +goose StatementBegin
create function make_reading_month(day date) returns void language plpgsql as $$
declare
  first date := date_trunc('month', day)::date;
  part text := 'reading_' || to_char(day, 'YYYY_MM');
begin
  if to_regclass(part) is not null then return; end if;
  perform pg_advisory_xact_lock(hashtext('make_reading_month'));
  if to_regclass(part) is not null then return; end if;
  -- A table that is attached holds up nobody; one that is created as a partition locks the whole.
  execute format('create table %I (like reading including defaults including constraints)', part);
  -- Nobody reads or writes a month but through the whole, whose policies hold.
  execute format('alter table %I enable row level security, force row level security', part);
  execute format('alter table reading attach partition %I for values from (%L) to (%L)', part, first, (first + interval '1 month')::date);
end $$;
-- +goose StatementEnd

-- The months around today, which whoever begins a cooking may need. Nobody else makes any.
-- +goose StatementBegin
create function have_reading_months() returns void language plpgsql security definer set search_path from current as $$
begin
  for ahead in 0..2 loop
    perform make_reading_month(((now() at time zone 'UTC')::date + make_interval(months => ahead))::date);
  end loop;
end $$;
-- +goose StatementEnd

alter table course
  add column readings_month date not null default date_trunc('month', now() at time zone 'UTC')::date,
  -- When its readings became curves; what is measured after that is not kept.
  add column thinned_at timestamptz;
update course set readings_month = date_trunc('month', created_at at time zone 'UTC')::date;
select make_reading_month(month) from (select distinct readings_month as month from course) m;
select have_reading_months();
insert into reading (month, course_id, source, place, dish, at, celsius, seq)
  select c.readings_month, r.course_id, r.source, r.place, r.dish, r.at, r.celsius, r.seq from course_reading r join course c on c.id = r.course_id;
drop table course_reading;
create view course_reading with (security_invoker = true) as select course_id, source, place, dish, at, celsius, seq from reading;

-- What is left of a cooking's readings once they were thinned: one curve for each probe.
create table reading_curve (
  course_id uuid not null references course,
  source text not null,
  place text not null,
  dish integer not null,
  at timestamptz[] not null,
  celsius double precision[] not null,
  check (cardinality(at) = cardinality(celsius)),
  primary key (course_id, source, place, dish)
);
create trigger only_added before update or delete on reading_curve for each row execute function only_added();
alter table reading_curve enable row level security, force row level security;
create policy reads on reading_curve for select using ((select cuerda_scope()) = 'server' or exists (select from course where id = course_id));
create policy changes on reading_curve for all using ((select cuerda_scope()) = 'server' or (select cuerda_changes()) and exists (select from course where id = course_id)) with check ((select cuerda_scope()) = 'server' or (select cuerda_changes()) and exists (select from course where id = course_id));
create index course_to_thin on course (created_at) where thinned_at is null;

create table picture (
  id uuid primary key default gen_random_uuid(),
  kitchen_id uuid not null references kitchen,
  media_type text not null,
  width integer not null,
  height integer not null,
  -- SHA-256 of its data, which lies in picture_data or in an object store.
  hash bytea not null check (octet_length(hash) = 32),
  size integer not null check (size between 0 and 8388608),
  created_at timestamptz not null default now()
);
create index picture_of_kitchen on picture (kitchen_id, size);
create table picture_data (
  kitchen_id uuid not null references kitchen,
  hash bytea not null,
  data bytea not null check (octet_length(data) <= 8388608),
  primary key (kitchen_id, hash)
);
-- A JPEG squeezes no further.
alter table picture_data alter column data set storage external;
-- Kitchens that were erased and whose pictures still lie in an object store.
create table pictures_to_remove (
  kitchen_id uuid primary key,
  since timestamptz not null default now()
);
insert into picture_data (kitchen_id, hash, data) select distinct on (kitchen_id, sha256(data)) kitchen_id, sha256(data), data from photo;
insert into picture (id, kitchen_id, media_type, width, height, hash, size, created_at)
  select id, kitchen_id, media_type, width, height, sha256(data), octet_length(data), created_at from photo;
drop table photo;
alter table picture enable row level security, force row level security;
create policy reads on picture for select using ((select cuerda_scope()) = 'server' or kitchen_id = (select cuerda_kitchen()));
create policy changes on picture for all using ((select cuerda_scope()) = 'server' or (select cuerda_changes()) and kitchen_id = (select cuerda_kitchen())) with check ((select cuerda_scope()) = 'server' or (select cuerda_changes()) and kitchen_id = (select cuerda_kitchen()));
alter table picture_data enable row level security, force row level security;
create policy reads on picture_data for select using ((select cuerda_scope()) = 'server' or kitchen_id = (select cuerda_kitchen()));
create policy changes on picture_data for all using ((select cuerda_scope()) = 'server' or (select cuerda_changes()) and kitchen_id = (select cuerda_kitchen())) with check ((select cuerda_scope()) = 'server' or (select cuerda_changes()) and kitchen_id = (select cuerda_kitchen()));
alter table pictures_to_remove enable row level security, force row level security;
create policy reads on pictures_to_remove for select using ((select cuerda_scope()) = 'server');
create policy changes on pictures_to_remove for all using ((select cuerda_scope()) = 'server') with check ((select cuerda_scope()) = 'server');

create view photo with (security_invoker = true) as
  select p.id, p.kitchen_id, p.media_type, p.width, p.height, d.data, p.created_at
  from picture p join picture_data d on d.kitchen_id = p.kitchen_id and d.hash = p.hash;
-- +goose StatementBegin
create function photo_of_before() returns trigger language plpgsql as $$
begin
  if tg_op = 'DELETE' then
    delete from picture where id = old.id;
    delete from picture_data d where d.kitchen_id = old.kitchen_id and d.hash = sha256(old.data)
      and not exists (select from picture p where p.kitchen_id = d.kitchen_id and p.hash = d.hash);
    return old;
  end if;
  new.id := coalesce(new.id, gen_random_uuid());
  insert into picture_data (kitchen_id, hash, data) values (new.kitchen_id, sha256(new.data), new.data) on conflict do nothing;
  insert into picture (id, kitchen_id, media_type, width, height, hash, size)
    values (new.id, new.kitchen_id, new.media_type, new.width, new.height, sha256(new.data), octet_length(new.data));
  return new;
end $$;
-- +goose StatementEnd
create trigger photo_of_before instead of insert or delete on photo for each row execute function photo_of_before();

-- +goose Down
create table photo_again (
  id uuid primary key default gen_random_uuid(),
  kitchen_id uuid not null references kitchen,
  media_type text not null,
  width integer not null,
  height integer not null,
  data bytea not null check (octet_length(data) <= 8388608),
  created_at timestamptz not null default now()
);
insert into photo_again select * from photo;
drop view photo;
drop function photo_of_before();
alter table photo_again rename to photo;
alter table photo enable row level security, force row level security;
create policy reads on photo for select using ((select cuerda_scope()) = 'server' or kitchen_id = (select cuerda_kitchen()));
create policy changes on photo for all using ((select cuerda_scope()) = 'server' or (select cuerda_changes()) and kitchen_id = (select cuerda_kitchen())) with check ((select cuerda_scope()) = 'server' or (select cuerda_changes()) and kitchen_id = (select cuerda_kitchen()));
drop table picture;
drop table picture_data;
drop table pictures_to_remove;

create table course_reading_again (
  course_id uuid not null references course,
  source text not null check (char_length(source) <= 80),
  place text not null,
  dish integer not null,
  at timestamptz not null,
  celsius double precision not null,
  seq bigint not null default 0,
  primary key (course_id, source, place, dish, at)
);
insert into course_reading_again select * from course_reading;
insert into course_reading_again (course_id, source, place, dish, at, celsius)
  select c.course_id, c.source, c.place, c.dish, p.at, p.celsius from reading_curve c, unnest(c.at, c.celsius) p (at, celsius) on conflict do nothing;
drop view course_reading;
drop table reading;
drop table reading_curve;
drop function have_reading_months();
drop function make_reading_month(date);
alter table course drop column readings_month, drop column thinned_at;
alter table course_reading_again rename to course_reading;
create index course_reading_by_seq on course_reading (course_id, seq);
create trigger only_added before update or delete on course_reading for each row execute function only_added();
alter table course_reading enable row level security, force row level security;
create policy reads on course_reading for select using ((select cuerda_scope()) = 'server' or exists (select from course where id = course_id));
create policy changes on course_reading for all using ((select cuerda_scope()) = 'server' or (select cuerda_changes()) and exists (select from course where id = course_id)) with check ((select cuerda_scope()) = 'server' or (select cuerda_changes()) and exists (select from course where id = course_id));
