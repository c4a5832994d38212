-- A club may have shapes of a season of its own, beside its faults, causes, remedies and variations.

alter table library_entry drop constraint if exists entry_kind;
alter table library_entry add constraint entry_kind
  check (kind in ('fault', 'cause', 'remedy', 'variation', 'shape'));

-- The ids of shipped shapes have underscores.
alter table library_entry drop constraint if exists entry_ident;
alter table library_entry add constraint entry_ident check (ident ~ '^[a-z][a-z0-9_-]{1,59}$');
