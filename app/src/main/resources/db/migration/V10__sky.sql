-- A panel leans and faces somewhere; a house has a climate of its own where the one of its latitude is not right.
alter table camera
  add column panel_slope_deg double precision not null default 0 check (panel_slope_deg between 0 and 90),
  add column panel_heading_deg double precision not null default 0 check (panel_heading_deg between 0 and 360);
create table house_climate (
  household_id  bigint primary key references household on delete cascade,
  class         text,
  longitude_deg double precision check (longitude_deg between -180 and 180),
  altitude_m    double precision not null default 0 check (altitude_m between -450 and 6000),
  mean_c        double precision[] check (cardinality(mean_c) = 12),
  swing_c       double precision[] check (cardinality(swing_c) = 12),
  clearness     double precision[] check (cardinality(clearness) = 12),
  version       int not null default 1,
  check ((mean_c is null) = (swing_c is null) and (mean_c is null) = (clearness is null))
);
-- A third band, and networks that are open but enciphered.
alter table network
  drop constraint network_bands_check,
  add constraint network_bands_check check (cardinality(bands) between 1 and 3),
  drop constraint network_security_check,
  add constraint network_security_check check (security in ('OPEN', 'WPA2', 'WPA2_WPA3', 'WPA3', 'OWE', 'ENTERPRISE'));
alter table reading
  drop constraint reading_band_check,
  add constraint reading_band_check check (band in ('GHZ_2_4', 'GHZ_5', 'GHZ_6'));
-- What somebody of the firm said that the columns of a scanner's table are, by the look of its values.
create table scan_shape (
  firm_id bigint not null references firm on delete cascade,
  shape   text not null check (length(shape) <= 400),
  roles   text[] not null,
  by_name text not null,
  at      timestamptz not null,
  primary key (firm_id, shape)
);
-- What a firm's own figures of its work are, where they are not the ordinary ones.
create table practice (
  firm_id bigint primary key references firm on delete cascade,
  figures text[] not null,
  own     double precision[] not null,
  version int not null default 1,
  check (cardinality(figures) = cardinality(own))
);
