-- Households of the demo's first firm beside its own, each with two people, two cameras and twelve promises; replaced as a whole.
delete from household where name like 'Bench %';
insert into household (firm_id, name, address, stage, stage_since, due_on, due_what, created_at, kept, broken)
select 1, 'Bench ' || (array['Alder', 'Birch', 'Sedge', 'Teasel', 'Yarrow', 'Bracken', 'Clover', 'Rowan'])[1 + n % 8] || ' ' || n,
       n % 200 || ' ' || (array['Quarry', 'Harbour', 'Chapel', 'Orchard', 'Station', 'Priory', 'Castle', 'Meadow'])[1 + n % 7] || ' '
       || (array['Row', 'Lane', 'Street', 'Hill', 'Bank'])[1 + n % 5] || ', ' || (array['Nether', 'Over', 'Little', 'Great'])[1 + n % 4]
       || ' ' || (array['Weir', 'Ford', 'Staithe', 'Moor'])[1 + n % 3],
       (array['BRIEF', 'SURVEY', 'READY', 'PAIR', 'MOUNT', 'TUNE', 'SHARE', 'PROVE', 'CARE', 'CARE', 'CARE'])[1 + n % 11],
       current_date, current_date + n % 365, 'bench', now(), 11, case when n % 500 = 0 then 1 else 0 end
from generate_series(1, :count) n;
insert into resident (household_id, name, email, tie)
select h.id, (array['Ansel', 'Bettrys', 'Corwen', 'Dilys', 'Emrys', 'Fflur'])[1 + h.id % 6] || ' ' || split_part(h.name, ' ', 2) || k,
       'p' || h.id || k || '@bench.example', 'LIVES_HERE'
from household h, generate_series(1, 2) k where h.name like 'Bench %';
insert into camera (household_id, name, model_key, x_m, y_m, height_m, heading_deg, tilt_deg, clip_seconds, cool_down_seconds, card_gb,
                    visits_per_day, live_minutes, open_sky_share, charge_every_days, serial)
select h.id, 'Eye ' || k, (array['dunmark-post', 'cairnlow-eave', 'vellin-dome'])[1 + h.id % 3], k, 0, 2.4, 90, 10, 12, 30, 64, 30, 4, 0.7,
       90, 'BX-' || lpad((h.id * 2 + k)::text, 9, '0')
from household h, generate_series(1, 2) k where h.name like 'Bench %';
insert into finding (household_id, promise_key, stage, standing, wording)
select h.id, 'c' || k || '.' || (array['link', 'joins', 'clear', 'reach', 'battery', 'password'])[1 + k % 6], 'SURVEY',
       case when h.broken = 1 and k = 6 then 'BROKEN' else 'KEPT' end,
       (array['Holds its Wi-Fi link', 'Can join the house''s Wi-Fi', 'Its own light does not blind it', 'Hangs out of arm''s reach',
              'Battery lasts through the dark months', 'Has a password of its own'])[1 + k % 6]
from household h, generate_series(1, 12) k where h.name like 'Bench %';
analyze household, resident, camera, finding;
