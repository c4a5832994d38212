-- name: list_bars
-- Bars of the club: straight ones first, the heaviest first.
select bar_id, name, mass_kg, shaft_mm, collars_kg, beyond_shoulder_m, forward_m, holds_lean_deg,
  handles
from bar order by beyond_shoulder_m is not null, mass_kg desc, name;

-- name: save_bar!
-- A new bar, or an old one measured again.
insert into bar (club_id, bar_id, name, mass_kg, shaft_mm, collars_kg, beyond_shoulder_m, forward_m,
  holds_lean_deg, handles)
values (:club_id, :bar_id, :name, :mass_kg, :shaft_mm, :collars_kg, :beyond_shoulder_m, :forward_m,
  :holds_lean_deg, :handles)
on conflict (club_id, bar_id) do update set name = excluded.name, mass_kg = excluded.mass_kg,
  shaft_mm = excluded.shaft_mm, collars_kg = excluded.collars_kg,
  beyond_shoulder_m = excluded.beyond_shoulder_m, forward_m = excluded.forward_m,
  holds_lean_deg = excluded.holds_lean_deg, handles = excluded.handles;

-- name: delete_bar!
-- Take a bar out.
delete from bar where bar_id = :bar_id;

-- name: list_plates
-- Plates of the club, the heaviest first.
select kg, pairs from plate_stock order by kg desc;

-- name: delete_plates!
-- Forget the stock before it is counted anew.
delete from plate_stock;

-- name: add_plates!
-- Pairs of one weight.
insert into plate_stock (club_id, kg, pairs) values (:club_id, :kg, :pairs);

-- name: list_racks
-- Racks of the club by name.
select rack_id, name, first_hole_m, pitch_m, holes, lip_m, inner_width_m, first_safety_m,
  safety_pitch_m
from rack order by name;

-- name: save_rack!
-- A new rack, or an old one measured again.
insert into rack (club_id, rack_id, name, first_hole_m, pitch_m, holes, lip_m, inner_width_m,
  first_safety_m, safety_pitch_m)
values (:club_id, :rack_id, :name, :first_hole_m, :pitch_m, :holes, :lip_m, :inner_width_m,
  :first_safety_m, :safety_pitch_m)
on conflict (club_id, rack_id) do update set name = excluded.name,
  first_hole_m = excluded.first_hole_m, pitch_m = excluded.pitch_m, holes = excluded.holes,
  lip_m = excluded.lip_m, inner_width_m = excluded.inner_width_m,
  first_safety_m = excluded.first_safety_m, safety_pitch_m = excluded.safety_pitch_m;

-- name: delete_rack!
-- Take a rack out.
delete from rack where rack_id = :rack_id;

-- name: get_kit
-- What the gym owns beside bars and plates, as it was said last.
select items from gym_kit order by number desc limit 1;

-- name: add_kit!
-- Say what the gym owns.
insert into gym_kit (club_id, kit_id, items, said_by) values (:club_id, :kit_id, :items, :said_by);
