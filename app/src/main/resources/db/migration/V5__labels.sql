-- What a device's sticker says: its ID and, sealed, the password it came with.
alter table camera add column device_id text check (length(device_id) <= 40);
alter table camera add column label_read_by text;
alter table secret drop constraint secret_kind_check;
alter table secret drop constraint secret_check;
alter table secret add constraint secret_kind check (kind in ('WIFI_PASSWORD', 'CAMERA_PASSWORD', 'INITIAL_PASSWORD'));
alter table secret add constraint secret_of_a_camera check ((kind in ('CAMERA_PASSWORD', 'INITIAL_PASSWORD')) = (camera_id is not null));
