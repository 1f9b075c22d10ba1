-- +goose Up
-- People who sign in. One who left keeps the row, without a name, so that the kitchen's work has somebody who did it.
create table account (
  id uuid primary key default gen_random_uuid(),
  name text not null check (char_length(name) <= 60),
  -- The name as it is compared: folded and composed. Null for somebody who left.
  key text unique,
  -- As Argon2id writes it (RFC 9106), with its parameters; null for somebody without a passphrase.
  passphrase text,
  created_at timestamptz not null default now(),
  disabled_at timestamptz,
  left_at timestamptz
);

create table recovery_code (
  hash bytea primary key check (octet_length(hash) = 32),
  account_id uuid not null references account on delete cascade
);
create index recovery_code_of_account on recovery_code (account_id);

create table passkey (
  id bytea primary key,
  account_id uuid not null references account on delete cascade,
  name text not null default '' check (char_length(name) <= 60),
  credential jsonb not null,
  created_at timestamptz not null default now(),
  used_at timestamptz
);
create index passkey_of_account on passkey (account_id);

-- What a browser was asked to sign with a passkey; it is used once.
create table passkey_challenge (
  id uuid primary key default gen_random_uuid(),
  account_id uuid references account on delete cascade,
  data jsonb not null,
  expires_at timestamptz not null
);

create table member (
  kitchen_id uuid not null references kitchen on delete cascade,
  account_id uuid not null references account on delete cascade,
  role text not null check (role in ('owner', 'cook', 'guest')),
  joined_at timestamptz not null default now(),
  primary key (kitchen_id, account_id)
);
create index member_of_account on member (account_id);

-- A device of a kitchen: paired by six figures, it follows courses and taps in them.
create table device (
  id uuid primary key default gen_random_uuid(),
  kitchen_id uuid not null references kitchen on delete cascade,
  name text not null default '' check (char_length(name) <= 60),
  paired_at timestamptz not null default now(),
  ended_at timestamptz
);
create index device_of_kitchen on device (kitchen_id, paired_at);

create table pairing (
  hash bytea primary key check (octet_length(hash) = 32),
  kitchen_id uuid not null references kitchen on delete cascade,
  wrong integer not null default 0,
  expires_at timestamptz not null
);

-- What a browser holds: of an account, or of a device. The cookie itself is kept as a hash, by scs.
create table visit (
  id uuid primary key default gen_random_uuid(),
  account_id uuid references account on delete cascade,
  device_id uuid references device on delete cascade,
  agent text not null default '',
  began_at timestamptz not null default now(),
  seen_at timestamptz not null default now(),
  -- When who it is was last asked for.
  proved_at timestamptz not null default now(),
  ended_at timestamptz,
  check ((account_id is null) <> (device_id is null))
);
create index visit_of_account on visit (account_id, began_at);
create index visit_of_device on visit (device_id);

create table sessions (
  token text primary key,
  data bytea not null,
  expiry timestamptz not null
);
create index sessions_expiry_idx on sessions (expiry);

-- Without a kitchen it makes the first owner of the server.
create table invitation (
  id uuid primary key default gen_random_uuid(),
  hash bytea not null unique check (octet_length(hash) = 32),
  kitchen_id uuid references kitchen on delete cascade,
  role text not null check (role in ('owner', 'cook', 'guest')),
  made_by uuid references account on delete set null,
  made_at timestamptz not null default now(),
  expires_at timestamptz not null,
  used_at timestamptz,
  ended_at timestamptz
);
create index invitation_of_kitchen on invitation (kitchen_id, made_at);

-- One build, to be read by whoever has the link, until a day.
create table link (
  id uuid primary key default gen_random_uuid(),
  hash bytea not null unique check (octet_length(hash) = 32),
  kitchen_id uuid not null references kitchen on delete cascade,
  build_id uuid not null references build on delete cascade,
  made_by uuid references account on delete set null,
  made_at timestamptz not null default now(),
  expires_at timestamptz not null,
  ended_at timestamptz
);
create index link_of_kitchen on link (kitchen_id, made_at);

create table journal (
  seq bigint generated always as identity primary key,
  at timestamptz not null default now(),
  -- Of a kitchen, of an account, or of both.
  kitchen_id uuid references kitchen on delete cascade,
  account_id uuid references account on delete set null,
  what text not null,
  about text not null default '',
  address text not null default ''
);
create index journal_of_kitchen on journal (kitchen_id, seq desc);
create index journal_of_account on journal (account_id, seq desc);

-- Who did it; null where nobody signs in.
alter table build_version add column by_account uuid;
alter table course_event add column by_account uuid;
alter table try add column by_account uuid;
alter table supper add column by_account uuid;
alter table practice_call add column by_account uuid;

-- +goose Down
alter table practice_call drop column by_account;
alter table supper drop column by_account;
alter table try drop column by_account;
alter table course_event drop column by_account;
alter table build_version drop column by_account;
drop table journal, link, invitation, sessions, visit, pairing, device, member, passkey_challenge, passkey, recovery_code, account;
