-- +goose Up
-- What a label was read for, by the codes of allergens, diets and wants. A tick used
-- to clear all of them at once; it was made for gluten, which most labels are read
-- for: the rest is asked anew.
alter table pantry_item add column label_read text[] not null default '{}';
update pantry_item set label_read = '{gluten}' where label_checked;
alter table pantry_item drop column label_checked;

-- +goose Down
alter table pantry_item add column label_checked boolean not null default false;
update pantry_item set label_checked = 'gluten' = any (label_read);
alter table pantry_item drop column label_read;
