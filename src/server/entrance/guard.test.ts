import { describe, expect, it } from 'vitest';
import { contentSecurityPolicy, refuse } from './guard';

const text = '127.0.0.1:3000';

describe('refuse', () => {
  it.each([
    ['GET', text, null],
    ['GET', 'localhost:3000', 'http://elsewhere.test'],
    ['PUT', text, `http://${text}`],
    ['POST', '[::1]:3000', 'http://[::1]:3000'],
  ])('lets %s %s from %s through', (method, host, origin) => {
    expect(refuse({ method, host, origin })).toBeNull();
  });

  it.each([
    ['GET', 'elsewhere.test', null],
    ['GET', null, null],
    ['GET', '127.0.0.1.elsewhere.test', null],
    ['PUT', text, null],
    ['PUT', text, 'null'],
    ['POST', text, 'http://elsewhere.test'],
    ['DELETE', text, 'http://127.0.0.1:4000'],
  ])('refuses %s %s from %s', (method, host, origin) => {
    expect(refuse({ method, host, origin })).not.toBeNull();
  });
});

it('the policy lets no inline or foreign script run', () => {
  const policy = contentSecurityPolicy('abc');
  expect(policy).toContain("script-src 'self' 'nonce-abc'");
  expect(policy.split(';').find((part) => part.includes('script-src'))).not.toContain('unsafe');
});
