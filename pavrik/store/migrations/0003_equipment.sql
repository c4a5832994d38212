-- What the gym owns.

create table bar (
  club_id  uuid not null references club,
  bar_id   uuid not null,
  name     text not null,
  mass_kg  double precision not null constraint bar_mass check (mass_kg between 1 and 60),
  shaft_mm double precision not null constraint bar_shaft check (shaft_mm between 20 and 70),
  collars_kg double precision not null default 0 constraint bar_collars check (collars_kg between 0 and 10),
  primary key (club_id, bar_id)
);

create table plate_stock (
  club_id uuid not null references club,
  kg      double precision not null constraint plate_mass check (kg > 0 and kg <= 100),
  pairs   integer not null constraint plate_pairs check (pairs between 0 and 20),
  primary key (club_id, kg)
);

create table rack (
  club_id       uuid not null references club,
  rack_id       uuid not null,
  name          text not null,
  first_hole_m  double precision not null constraint rack_first_hole check (first_hole_m between 0 and 1.5),
  pitch_m       double precision not null constraint rack_pitch check (pitch_m between 0.01 and 0.2),
  holes         integer not null constraint rack_holes check (holes between 2 and 100),
  lip_m         double precision not null constraint rack_lip check (lip_m between 0 and 0.2),
  inner_width_m double precision not null constraint rack_width check (inner_width_m between 0.8 and 1.5),
  primary key (club_id, rack_id)
);
