-- +goose Up
-- The second wall: what the application forgets to ask, the database asks. Each connection says for whom it works
-- (cuerda.scope, cuerda.kitchen, cuerda.account, cuerda.device); rows of other kitchens are not there for it.
--   server   the program's own work: backup, learning, signing in
--   house    whoever sits at the machine, where nobody signs in: one kitchen, everything
--   account  somebody who signed in: one kitchen, as their membership says
--   device   a device at the stove: one kitchen, to follow
-- Anything else sees nothing. A role without the right to pass these policies does all the program's work; where the
-- database does not let one be made, the policies bind the tables' owner.
-- +goose StatementBegin
do $$ begin
  create role cuerda_app nologin;
exception
  when duplicate_object or unique_violation or insufficient_privilege then null;
end $$;
-- +goose StatementEnd

-- +goose StatementBegin
create function cuerda_scope() returns text language sql stable as
$$ select coalesce(current_setting('cuerda.scope', true), '') $$;
-- +goose StatementEnd
-- +goose StatementBegin
create function cuerda_account() returns uuid language sql stable as
$$ select nullif(current_setting('cuerda.account', true), '')::uuid $$;
-- +goose StatementEnd

-- What somebody is in the kitchen that is worked in; null for strangers.
-- +goose StatementBegin
create function cuerda_role() returns text language sql stable security definer set search_path from current as $$
  select case cuerda_scope()
    when 'server' then 'owner'
    when 'house' then 'owner'
    when 'account' then (select role from member where kitchen_id = nullif(current_setting('cuerda.kitchen', true), '')::uuid and account_id = cuerda_account())
    when 'device' then (select 'stove' from device where id = nullif(current_setting('cuerda.device', true), '')::uuid
      and kitchen_id = nullif(current_setting('cuerda.kitchen', true), '')::uuid and ended_at is null)
  end $$;
-- +goose StatementEnd

-- The kitchen that is worked in, where whoever works may see it.
-- +goose StatementBegin
create function cuerda_kitchen() returns uuid language sql stable as
$$ select case when cuerda_role() is not null then nullif(current_setting('cuerda.kitchen', true), '')::uuid end $$;
-- +goose StatementEnd
-- +goose StatementBegin
create function cuerda_changes() returns boolean language sql stable as
$$ select coalesce(cuerda_role() in ('owner', 'cook'), false) $$;
-- +goose StatementEnd

alter table build enable row level security, force row level security;
create policy reads on build for select using ((select cuerda_scope()) = 'server' or kitchen_id = (select cuerda_kitchen()));
create policy changes on build for all using ((select cuerda_scope()) = 'server' or (select cuerda_changes()) and kitchen_id = (select cuerda_kitchen())) with check ((select cuerda_scope()) = 'server' or (select cuerda_changes()) and kitchen_id = (select cuerda_kitchen()));
alter table pantry_item enable row level security, force row level security;
create policy reads on pantry_item for select using ((select cuerda_scope()) = 'server' or kitchen_id = (select cuerda_kitchen()));
create policy changes on pantry_item for all using ((select cuerda_scope()) = 'server' or (select cuerda_changes()) and kitchen_id = (select cuerda_kitchen())) with check ((select cuerda_scope()) = 'server' or (select cuerda_changes()) and kitchen_id = (select cuerda_kitchen()));
alter table own_food enable row level security, force row level security;
create policy reads on own_food for select using ((select cuerda_scope()) = 'server' or kitchen_id = (select cuerda_kitchen()));
create policy changes on own_food for all using ((select cuerda_scope()) = 'server' or (select cuerda_changes()) and kitchen_id = (select cuerda_kitchen())) with check ((select cuerda_scope()) = 'server' or (select cuerda_changes()) and kitchen_id = (select cuerda_kitchen()));
alter table supper enable row level security, force row level security;
create policy reads on supper for select using ((select cuerda_scope()) = 'server' or kitchen_id = (select cuerda_kitchen()));
create policy changes on supper for all using ((select cuerda_scope()) = 'server' or (select cuerda_changes()) and kitchen_id = (select cuerda_kitchen())) with check ((select cuerda_scope()) = 'server' or (select cuerda_changes()) and kitchen_id = (select cuerda_kitchen()));
alter table course enable row level security, force row level security;
create policy reads on course for select using ((select cuerda_scope()) = 'server' or kitchen_id = (select cuerda_kitchen()));
create policy changes on course for all using ((select cuerda_scope()) = 'server' or (select cuerda_changes()) and kitchen_id = (select cuerda_kitchen())) with check ((select cuerda_scope()) = 'server' or (select cuerda_changes()) and kitchen_id = (select cuerda_kitchen()));
alter table try enable row level security, force row level security;
create policy reads on try for select using ((select cuerda_scope()) = 'server' or kitchen_id = (select cuerda_kitchen()));
create policy changes on try for all using ((select cuerda_scope()) = 'server' or (select cuerda_changes()) and kitchen_id = (select cuerda_kitchen())) with check ((select cuerda_scope()) = 'server' or (select cuerda_changes()) and kitchen_id = (select cuerda_kitchen()));
alter table photo enable row level security, force row level security;
create policy reads on photo for select using ((select cuerda_scope()) = 'server' or kitchen_id = (select cuerda_kitchen()));
create policy changes on photo for all using ((select cuerda_scope()) = 'server' or (select cuerda_changes()) and kitchen_id = (select cuerda_kitchen())) with check ((select cuerda_scope()) = 'server' or (select cuerda_changes()) and kitchen_id = (select cuerda_kitchen()));
alter table kitchen_learned enable row level security, force row level security;
create policy reads on kitchen_learned for select using ((select cuerda_scope()) = 'server' or kitchen_id = (select cuerda_kitchen()));
create policy changes on kitchen_learned for all using ((select cuerda_scope()) = 'server' or (select cuerda_changes()) and kitchen_id = (select cuerda_kitchen())) with check ((select cuerda_scope()) = 'server' or (select cuerda_changes()) and kitchen_id = (select cuerda_kitchen()));
alter table practice_person enable row level security, force row level security;
create policy reads on practice_person for select using ((select cuerda_scope()) = 'server' or kitchen_id = (select cuerda_kitchen()));
create policy changes on practice_person for all using ((select cuerda_scope()) = 'server' or (select cuerda_changes()) and kitchen_id = (select cuerda_kitchen())) with check ((select cuerda_scope()) = 'server' or (select cuerda_changes()) and kitchen_id = (select cuerda_kitchen()));
alter table build_version enable row level security, force row level security;
create policy reads on build_version for select using ((select cuerda_scope()) = 'server' or exists (select from build where id = build_id));
create policy changes on build_version for all using ((select cuerda_scope()) = 'server' or (select cuerda_changes()) and exists (select from build where id = build_id)) with check ((select cuerda_scope()) = 'server' or (select cuerda_changes()) and exists (select from build where id = build_id));
alter table version_name enable row level security, force row level security;
create policy reads on version_name for select using ((select cuerda_scope()) = 'server' or exists (select from build where id = build_id));
create policy changes on version_name for all using ((select cuerda_scope()) = 'server' or (select cuerda_changes()) and exists (select from build where id = build_id)) with check ((select cuerda_scope()) = 'server' or (select cuerda_changes()) and exists (select from build where id = build_id));
alter table course_event enable row level security, force row level security;
create policy reads on course_event for select using ((select cuerda_scope()) = 'server' or exists (select from course where id = course_id));
create policy changes on course_event for all using ((select cuerda_scope()) = 'server' or (select cuerda_changes()) and exists (select from course where id = course_id)) with check ((select cuerda_scope()) = 'server' or (select cuerda_changes()) and exists (select from course where id = course_id));
alter table course_reading enable row level security, force row level security;
create policy reads on course_reading for select using ((select cuerda_scope()) = 'server' or exists (select from course where id = course_id));
create policy changes on course_reading for all using ((select cuerda_scope()) = 'server' or (select cuerda_changes()) and exists (select from course where id = course_id)) with check ((select cuerda_scope()) = 'server' or (select cuerda_changes()) and exists (select from course where id = course_id));
alter table course_token enable row level security, force row level security;
create policy reads on course_token for select using ((select cuerda_scope()) = 'server' or exists (select from course where id = course_id));
create policy changes on course_token for all using ((select cuerda_scope()) = 'server' or (select cuerda_changes()) and exists (select from course where id = course_id)) with check ((select cuerda_scope()) = 'server' or (select cuerda_changes()) and exists (select from course where id = course_id));
alter table practice_sitting enable row level security, force row level security;
create policy reads on practice_sitting for select using ((select cuerda_scope()) = 'server' or exists (select from practice_person where id = person_id));
create policy changes on practice_sitting for all using ((select cuerda_scope()) = 'server' or (select cuerda_changes()) and exists (select from practice_person where id = person_id)) with check ((select cuerda_scope()) = 'server' or (select cuerda_changes()) and exists (select from practice_person where id = person_id));
alter table practice_call enable row level security, force row level security;
create policy reads on practice_call for select using ((select cuerda_scope()) = 'server' or exists (select from practice_person where id = person_id));
create policy changes on practice_call for all using ((select cuerda_scope()) = 'server' or (select cuerda_changes()) and exists (select from practice_person where id = person_id)) with check ((select cuerda_scope()) = 'server' or (select cuerda_changes()) and exists (select from practice_person where id = person_id));
alter table invitation enable row level security, force row level security;
create policy reads on invitation for select using ((select cuerda_scope()) = 'server' or (select cuerda_role()) = 'owner' and kitchen_id = (select cuerda_kitchen()));
create policy changes on invitation for all using ((select cuerda_scope()) = 'server' or (select cuerda_role()) = 'owner' and kitchen_id = (select cuerda_kitchen())) with check ((select cuerda_scope()) = 'server' or (select cuerda_role()) = 'owner' and kitchen_id = (select cuerda_kitchen()));
alter table device enable row level security;
create policy reads on device for select using ((select cuerda_scope()) = 'server' or (select cuerda_role()) = 'owner' and kitchen_id = (select cuerda_kitchen()));
create policy changes on device for all using ((select cuerda_scope()) = 'server' or (select cuerda_role()) = 'owner' and kitchen_id = (select cuerda_kitchen())) with check ((select cuerda_scope()) = 'server' or (select cuerda_role()) = 'owner' and kitchen_id = (select cuerda_kitchen()));
alter table pairing enable row level security, force row level security;
create policy reads on pairing for select using ((select cuerda_scope()) = 'server' or (select cuerda_role()) = 'owner' and kitchen_id = (select cuerda_kitchen()));
create policy changes on pairing for all using ((select cuerda_scope()) = 'server' or (select cuerda_role()) = 'owner' and kitchen_id = (select cuerda_kitchen())) with check ((select cuerda_scope()) = 'server' or (select cuerda_role()) = 'owner' and kitchen_id = (select cuerda_kitchen()));
alter table journal enable row level security, force row level security;
create policy reads on journal for select using ((select cuerda_scope()) = 'server' or (select cuerda_role()) = 'owner' and (kitchen_id = (select cuerda_kitchen())
  or kitchen_id is null and account_id in (select account_id from member where kitchen_id = (select cuerda_kitchen()))));
create policy changes on journal for all using ((select cuerda_scope()) = 'server' or (select cuerda_role()) = 'owner' and kitchen_id = (select cuerda_kitchen())) with check ((select cuerda_scope()) = 'server' or (select cuerda_role()) = 'owner' and kitchen_id = (select cuerda_kitchen()));
alter table link enable row level security, force row level security;
create policy reads on link for select using ((select cuerda_scope()) = 'server' or kitchen_id = (select cuerda_kitchen()));
create policy changes on link for all using ((select cuerda_scope()) = 'server' or (select cuerda_changes()) and kitchen_id = (select cuerda_kitchen())) with check ((select cuerda_scope()) = 'server' or (select cuerda_changes()) and kitchen_id = (select cuerda_kitchen()));
-- Not forced on its owner: cuerda_role reads it as that.
alter table member enable row level security;
create policy reads on member for select using ((select cuerda_scope()) = 'server' or kitchen_id = (select cuerda_kitchen()) or account_id = (select cuerda_account()));
create policy changes on member for all using ((select cuerda_scope()) = 'server' or (select cuerda_role()) = 'owner' and kitchen_id = (select cuerda_kitchen())) with check ((select cuerda_scope()) = 'server' or (select cuerda_role()) = 'owner' and kitchen_id = (select cuerda_kitchen()));
alter table kitchen enable row level security, force row level security;
create policy reads on kitchen for select using ((select cuerda_scope()) = 'server' or (select cuerda_scope()) = 'house' or id = (select cuerda_kitchen()) or id in (select kitchen_id from member where account_id = (select cuerda_account())));
create policy changes on kitchen for all using ((select cuerda_scope()) = 'server' or (select cuerda_changes()) and id = (select cuerda_kitchen())) with check ((select cuerda_scope()) = 'server' or (select cuerda_changes()) and id = (select cuerda_kitchen()));
alter table account enable row level security, force row level security;
create policy reads on account for select using ((select cuerda_scope()) = 'server' or id = (select cuerda_account()) or id in (select account_id from member where kitchen_id = (select cuerda_kitchen())) or left_at is not null);
create policy changes on account for all using ((select cuerda_scope()) = 'server' or false) with check ((select cuerda_scope()) = 'server' or false);
alter table visit enable row level security, force row level security;
create policy reads on visit for select using ((select cuerda_scope()) = 'server' or account_id = (select cuerda_account())
  or device_id in (select id from device where kitchen_id = (select cuerda_kitchen())));
create policy changes on visit for all using ((select cuerda_scope()) = 'server' or account_id = (select cuerda_account())) with check ((select cuerda_scope()) = 'server' or account_id = (select cuerda_account()));
alter table passkey enable row level security, force row level security;
create policy reads on passkey for select using ((select cuerda_scope()) = 'server' or account_id = (select cuerda_account()));
create policy changes on passkey for all using ((select cuerda_scope()) = 'server' or account_id = (select cuerda_account())) with check ((select cuerda_scope()) = 'server' or account_id = (select cuerda_account()));
alter table recovery_code enable row level security, force row level security;
create policy reads on recovery_code for select using ((select cuerda_scope()) = 'server' or account_id = (select cuerda_account()));
create policy changes on recovery_code for all using ((select cuerda_scope()) = 'server' or account_id = (select cuerda_account())) with check ((select cuerda_scope()) = 'server' or account_id = (select cuerda_account()));
alter table sessions enable row level security, force row level security;
create policy reads on sessions for select using ((select cuerda_scope()) = 'server' or false);
create policy changes on sessions for all using ((select cuerda_scope()) = 'server' or false) with check ((select cuerda_scope()) = 'server' or false);
alter table passkey_challenge enable row level security, force row level security;
create policy reads on passkey_challenge for select using ((select cuerda_scope()) = 'server' or false);
create policy changes on passkey_challenge for all using ((select cuerda_scope()) = 'server' or false) with check ((select cuerda_scope()) = 'server' or false);

-- A device at the stove taps in cookings of its kitchen.
create policy taps on course_event for insert with check ((select cuerda_role()) = 'stove' and exists (select from course where id = course_id));
create policy taps on course for update using ((select cuerda_role()) = 'stove' and kitchen_id = (select cuerda_kitchen())) with check ((select cuerda_role()) = 'stove' and kitchen_id = (select cuerda_kitchen()));

-- Only an owner has a kitchen erased, or put away.
-- +goose StatementBegin
create function only_owners() returns trigger language plpgsql as $$
begin
  if cuerda_role() is distinct from 'owner' then
    raise exception 'only an owner does this' using errcode = 'insufficient_privilege';
  end if;
  return new;
end $$;
-- +goose StatementEnd
create trigger only_owners before update of erase_at, put_away_at on kitchen for each row execute function only_owners();

-- Who did it is who the connection works for.
alter table build_version alter column by_account set default cuerda_account();
alter table course_event alter column by_account set default cuerda_account();
alter table try alter column by_account set default cuerda_account();
alter table supper alter column by_account set default cuerda_account();
alter table practice_call alter column by_account set default cuerda_account();

-- +goose StatementBegin
do $$ begin
  grant usage on schema public to cuerda_app;
  grant select, insert, update, delete on all tables in schema public to cuerda_app;
  grant usage on all sequences in schema public to cuerda_app;
  alter default privileges in schema public grant select, insert, update, delete on tables to cuerda_app;
  alter default privileges in schema public grant usage on sequences to cuerda_app;
exception when undefined_object or insufficient_privilege then null;
end $$;
-- +goose StatementEnd

-- +goose Down
drop policy taps on course_event;
drop policy taps on course;
alter table build_version alter column by_account drop default;
alter table course_event alter column by_account drop default;
alter table try alter column by_account drop default;
alter table supper alter column by_account drop default;
alter table practice_call alter column by_account drop default;
drop policy reads on build;
drop policy changes on build;
alter table build disable row level security, no force row level security;
drop policy reads on pantry_item;
drop policy changes on pantry_item;
alter table pantry_item disable row level security, no force row level security;
drop policy reads on own_food;
drop policy changes on own_food;
alter table own_food disable row level security, no force row level security;
drop policy reads on supper;
drop policy changes on supper;
alter table supper disable row level security, no force row level security;
drop policy reads on course;
drop policy changes on course;
alter table course disable row level security, no force row level security;
drop policy reads on try;
drop policy changes on try;
alter table try disable row level security, no force row level security;
drop policy reads on photo;
drop policy changes on photo;
alter table photo disable row level security, no force row level security;
drop policy reads on kitchen_learned;
drop policy changes on kitchen_learned;
alter table kitchen_learned disable row level security, no force row level security;
drop policy reads on practice_person;
drop policy changes on practice_person;
alter table practice_person disable row level security, no force row level security;
drop policy reads on build_version;
drop policy changes on build_version;
alter table build_version disable row level security, no force row level security;
drop policy reads on version_name;
drop policy changes on version_name;
alter table version_name disable row level security, no force row level security;
drop policy reads on course_event;
drop policy changes on course_event;
alter table course_event disable row level security, no force row level security;
drop policy reads on course_reading;
drop policy changes on course_reading;
alter table course_reading disable row level security, no force row level security;
drop policy reads on course_token;
drop policy changes on course_token;
alter table course_token disable row level security, no force row level security;
drop policy reads on practice_sitting;
drop policy changes on practice_sitting;
alter table practice_sitting disable row level security, no force row level security;
drop policy reads on practice_call;
drop policy changes on practice_call;
alter table practice_call disable row level security, no force row level security;
drop policy reads on invitation;
drop policy changes on invitation;
alter table invitation disable row level security, no force row level security;
drop policy reads on device;
drop policy changes on device;
alter table device disable row level security, no force row level security;
drop policy reads on pairing;
drop policy changes on pairing;
alter table pairing disable row level security, no force row level security;
drop policy reads on journal;
drop policy changes on journal;
alter table journal disable row level security, no force row level security;
drop policy reads on link;
drop policy changes on link;
alter table link disable row level security, no force row level security;
drop policy reads on member;
drop policy changes on member;
alter table member disable row level security, no force row level security;
drop policy reads on kitchen;
drop policy changes on kitchen;
alter table kitchen disable row level security, no force row level security;
drop policy reads on account;
drop policy changes on account;
alter table account disable row level security, no force row level security;
drop policy reads on visit;
drop policy changes on visit;
alter table visit disable row level security, no force row level security;
drop policy reads on passkey;
drop policy changes on passkey;
alter table passkey disable row level security, no force row level security;
drop policy reads on recovery_code;
drop policy changes on recovery_code;
alter table recovery_code disable row level security, no force row level security;
drop policy reads on passkey_challenge;
drop policy changes on passkey_challenge;
alter table passkey_challenge disable row level security, no force row level security;
drop policy reads on sessions;
drop policy changes on sessions;
alter table sessions disable row level security, no force row level security;
drop trigger only_owners on kitchen;
drop function only_owners();
drop function cuerda_changes();
drop function cuerda_kitchen();
drop function cuerda_role();
drop function cuerda_account();
drop function cuerda_scope();
