-- For some days after a change of address a letter with a new password still goes to the one before: who takes over a session does not take over the account.
alter table person
    add column email_before text check (length(email_before) between 3 and 254),
    add column email_at     timestamptz;
