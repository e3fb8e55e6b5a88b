// Passkeys, made and used with the browser's own simulated device (WebAuthn).
import { test, expect, accessible, fits, sql } from './help.mjs';

test('a passkey is made on a device, signs in without password, and opens nothing once it is taken away', async ({ browser }) => {
  // A number is no name that a passkey could be for.
  const host = process.env.KITTO_URL.replace('127.0.0.1', 'localhost');
  const page = await (await browser.newContext({ viewport: { width: 1280, height: 800 } })).newPage();
  const device = await page.context().newCDPSession(page);
  await device.send('WebAuthn.enable');
  const { authenticatorId } = await device.send('WebAuthn.addVirtualAuthenticator', {
    options: {
      protocol: 'ctap2',
      transport: 'internal',
      hasResidentKey: true,
      hasUserVerification: true,
      isUserVerified: true,
      automaticPresenceSimulation: true,
    },
  });
  const signIn = async () => {
    await page.goto(host + '/signin');
    await page.getByLabel('Name').fill('tove');
    await page.getByLabel('Password').fill('mail-boat-days');
    await page.getByRole('button', { name: 'Sign in', exact: true }).click();
    await expect(page).toHaveURL(host + '/');
  };
  const out = () => page.getByRole('button', { name: 'Sign out', exact: true }).click();
  const withKey = page.getByRole('button', { name: 'Sign in with a passkey' });

  // Nobody has one yet.
  await page.goto(host + '/signin');
  await withKey.click();
  await expect(page.getByRole('alert')).toContainText('gave no passkey');

  await signIn();
  await page.goto(host + '/me');
  await page.getByLabel('What you call this device').fill('the tablet at the door');
  await page.locator('#passkeySure').fill('not the password');
  await page.getByRole('button', { name: 'Go on' }).click();
  await expect(page.getByText('This is not your password')).toBeVisible();
  await expect(page.getByLabel('What you call this device')).toHaveValue('the tablet at the door');
  await page.locator('#passkeySure').fill('mail-boat-days');
  await page.getByRole('button', { name: 'Go on' }).click();
  await page.getByRole('button', { name: 'Make the passkey' }).click();
  await expect(page.getByRole('status')).toContainText('The passkey is kept');
  await expect(page.getByText('the tablet at the door')).toBeVisible();
  await accessible(page);
  await fits(page);

  // It signs in, to where one was going; the code of the second step is not asked for.
  sql("update person set totp_at = now(), totp_sealed = 'x' where user_name = 'tove'");
  await out();
  await page.goto(host + '/week');
  await withKey.click();
  await expect(page).toHaveURL(host + '/week');
  expect(sql("select sign_count > 0 and used_at is not null from passkey where name like 'the tablet%'")).toBe('t');
  sql("update person set totp_at = null, totp_sealed = null where user_name = 'tove'");

  // An answer from before is worth nothing again.
  const [{ credential }] = (await device.send('WebAuthn.getCredentials', { authenticatorId })).credentials.map(c => ({ credential: c }));
  const answered = page.waitForRequest(r => r.method() === 'POST' && r.url().includes('handler=Passkey'));
  await out();
  await page.goto(host + '/signin');
  await withKey.click();
  const sent = (await answered).postData();
  await expect(page).toHaveURL(host + '/');
  await out();
  const again = await page.request.post(host + '/signin?handler=Passkey', {
    data: sent,
    headers: { 'content-type': 'application/x-www-form-urlencoded', origin: host },
  });
  expect(again.url()).toContain('/signin');

  // A copy of the device counts from where it was copied: it is noticed.
  await device.send('WebAuthn.removeCredential', { authenticatorId, credentialId: credential.credentialId });
  await device.send('WebAuthn.addCredential', { authenticatorId, credential: { ...credential, signCount: 0 } });
  await page.goto(host + '/signin');
  await withKey.click();
  await expect(page.getByRole('alert')).toContainText('not known here');

  await signIn();
  await page.goto(host + '/me');
  await page.getByRole('button', { name: 'Take away: the tablet at the door' }).click();
  await expect(page.getByRole('status')).toContainText('opens nothing any more');
  await out();
  await page.goto(host + '/signin');
  await withKey.click();
  await expect(page.getByRole('alert')).toContainText('not known here');
  expect(sql("select string_agg(kind, ' ' order by seq) from trail where kind like 'passkey.%'")).toBe('passkey.made passkey.dropped');
});
