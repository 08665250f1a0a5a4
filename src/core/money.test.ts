import { describe, expect, it } from 'vitest';
import { CURRENCIES, formatMoney, isCurrency, NO_CURRENCY } from './money';

describe('money', () => {
  it('is written with the sign and the decimals of its currency', () => {
    expect(formatMoney(1234.5, 'GBP')).toBe('£1,234.50');
    expect(formatMoney(1234.5, 'EUR')).toBe('€1,234.50');
    expect(formatMoney(4200, 'JPY')).toBe('¥4,200');
    expect(formatMoney(-9.99, 'USD')).toBe('−$9.99');
  });

  it('stands without a sign where no currency is chosen', () => {
    expect(formatMoney(38, NO_CURRENCY)).toBe('38.00');
    expect(formatMoney(-1038.005, NO_CURRENCY)).toBe('−1,038.01');
  });

  it('knows currencies by their code, each with a name', () => {
    expect(isCurrency('GBP')).toBe(true);
    expect(isCurrency(NO_CURRENCY)).toBe(true);
    for (const code of ['gbp', 'XXXX', 7, null]) expect(isCurrency(code), String(code)).toBe(false);
    expect(new Set(CURRENCIES.map(([code]) => code)).size).toBe(CURRENCIES.length);
    // Each is one that the engine can write.
    for (const [code] of CURRENCIES) expect(formatMoney(1, code), code).toMatch(/\d/);
  });
});
