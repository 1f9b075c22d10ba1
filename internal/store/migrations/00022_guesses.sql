-- +goose Up
-- Wrong guesses of whoever guesses, counted for all servers together: at guess.full_at the bucket of that key is full again
-- (the generic cell rate algorithm, ITU-T I.371). Of what was guessed nothing is kept, and of the key its hash.
create table guess (
  key bytea primary key,
  full_at timestamptz not null
);
create index guess_full on guess (full_at);
alter table guess enable row level security, force row level security;
create policy reads on guess for select using ((select cuerda_scope()) = 'server');
create policy changes on guess for all using ((select cuerda_scope()) = 'server') with check ((select cuerda_scope()) = 'server');

-- +goose Down
drop table guess;
