-- name: list_club_tables
-- Tables whose rows belong to a club.
select c.relname::text from pg_class c join pg_attribute a on a.attrelid = c.oid
where c.relkind = 'r' and c.relnamespace = 'public'::regnamespace and a.attname = 'club_id'
  and not a.attisdropped
order by 1;

-- name: list_references
-- Which table refers to which.
select distinct conrelid::regclass::text, confrelid::regclass::text from pg_constraint
where contype = 'f' and connamespace = 'public'::regnamespace;

-- name: list_columns
-- Columns of a table.
select column_name::text from information_schema.columns
where table_schema = 'public' and table_name = :table;

-- name: count_on_behind
-- Count facts behind those that came in.
select count_on_behind(:number);

