-- Speed of the bar, measured in a set as the other things are: mean of the fastest rep's way up.

alter table set_measure
  drop constraint measure_kind,
  drop constraint measure_value,
  add constraint measure_kind check (kind in
    ('hands_to_pull_s', 'walkout_steps', 'foot_offset_m', 'stance_m', 'start_hip_m',
     'rep_speed_m_s')),
  add constraint measure_value check (
    case when kind = 'hands_to_pull_s' then value between 0 and 120
         when kind = 'walkout_steps' then value between 0 and 20
         when kind = 'foot_offset_m' then value between -0.15 and 0.15
         when kind = 'stance_m' then value between 0.1 and 1.4
         when kind = 'rep_speed_m_s' then value between 0.05 and 3
         else value between 0.1 and 1.2 end);
