-- A second step when signing in: a code from an app on one's own phone. The key is encrypted by the application; recovery codes are kept as hashes.
alter table person add column totp_sealed text, add column totp_at timestamptz, add column totp_last text, add column recovery_codes text[] not null default '{}';
