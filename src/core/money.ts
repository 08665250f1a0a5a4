/** The currency of a workshop that has chosen none: amounts stand without one. */
export const NO_CURRENCY = '';

/** Currencies that can be chosen, by their ISO 4217 code. */
export const CURRENCIES: readonly string[] = Intl.supportedValuesOf('currency');

/**
 * Whether a code can be a workshop's currency.
 *
 * @param code three letters, or nothing for none
 */
export const isCurrency = (code: unknown): code is string => code === NO_CURRENCY || CURRENCIES.includes(code as string);

/** What a currency is called: "British Pound". */
export function currencyName(code: string): string {
  return new Intl.DisplayNames('en-GB', { type: 'currency' }).of(code) ?? code;
}

const formats = new Map<string, Intl.NumberFormat>();

/**
 * An amount of money as it is written, with as many decimals as its currency has: £38.00, ¥4,200; without a currency 38.00.
 *
 * @param amount in whole units of the currency
 * @param currency ISO 4217 code, or nothing for none
 */
export function formatMoney(amount: number, currency: string): string {
  let format = formats.get(currency);
  if (!format) {
    format =
      currency === NO_CURRENCY
        ? new Intl.NumberFormat('en-GB', { minimumFractionDigits: 2, maximumFractionDigits: 2 })
        : new Intl.NumberFormat('en-GB', { style: 'currency', currency, currencyDisplay: 'narrowSymbol' });
    formats.set(currency, format);
  }
  // A minus as wide as a figure.
  return format.format(amount).replace('-', '−');
}
