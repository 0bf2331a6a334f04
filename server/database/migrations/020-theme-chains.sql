-- A theme can grow from another. Its edition names the editions of all that it stands on, the nearest first: a list of ids and numbers.
-- Editions so far grow from starters, which stand in their documents.
alter table theme_editions add column stands_on jsonb not null default '[]';
create index themes_base on themes ((document -> 'base' ->> 'theme')) where document -> 'base' ->> 'theme' is not null;
