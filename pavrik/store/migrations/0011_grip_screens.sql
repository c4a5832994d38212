-- A bar position that the core learns needs no change here: its grip screen is named after it.

alter table screen drop constraint screen_kind;
alter table screen add constraint screen_kind check (
  kind in ('ankle', 'neutral_depth', 'hip', 'hip_rotation', 'hop', 'box') or kind ~ '^grip_[a-z]{2,20}$');
