-- A lifter who left the club stands on no list, and comes back whole: the newest fact counts.

create table lifter_presence (
  club_id     uuid not null,
  presence_id uuid not null,
  lifter_id   uuid not null,
  here        boolean not null,
  said_at     timestamptz not null default now(),
  said_by     uuid,
  number      bigint not null default nextval('fact_number'),
  primary key (club_id, presence_id),
  foreign key (club_id, lifter_id) references lifter
);
create index lifter_presence_newest on lifter_presence (club_id, lifter_id, number desc);
call protect('lifter_presence');

create view lifter_away with (security_invoker = true) as
select club_id, lifter_id, said_at from (
  select distinct on (club_id, lifter_id) * from lifter_presence
  order by club_id, lifter_id, number desc) newest
where not here;
grant select on lifter_away to pavrik_app;
