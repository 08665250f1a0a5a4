/** The currency of a workshop that has chosen none: amounts stand without one. */
export const NO_CURRENCY = '';

/** Currencies that can be chosen, by their ISO 4217 code. The list is ours: that of one engine differs from another's. */
export const CURRENCIES: readonly (readonly [code: string, name: string])[] = [
  ['AED', 'United Arab Emirates dirham'],
  ['ARS', 'Argentine peso'],
  ['AUD', 'Australian dollar'],
  ['BGN', 'Bulgarian lev'],
  ['BRL', 'Brazilian real'],
  ['CAD', 'Canadian dollar'],
  ['CHF', 'Swiss franc'],
  ['CLP', 'Chilean peso'],
  ['CNY', 'Chinese yuan'],
  ['COP', 'Colombian peso'],
  ['CZK', 'Czech koruna'],
  ['DKK', 'Danish krone'],
  ['EGP', 'Egyptian pound'],
  ['EUR', 'Euro'],
  ['GBP', 'British pound'],
  ['HKD', 'Hong Kong dollar'],
  ['HUF', 'Hungarian forint'],
  ['IDR', 'Indonesian rupiah'],
  ['ILS', 'Israeli shekel'],
  ['INR', 'Indian rupee'],
  ['ISK', 'Icelandic króna'],
  ['JPY', 'Japanese yen'],
  ['KES', 'Kenyan shilling'],
  ['KRW', 'South Korean won'],
  ['KWD', 'Kuwaiti dinar'],
  ['MAD', 'Moroccan dirham'],
  ['MXN', 'Mexican peso'],
  ['MYR', 'Malaysian ringgit'],
  ['NGN', 'Nigerian naira'],
  ['NOK', 'Norwegian krone'],
  ['NZD', 'New Zealand dollar'],
  ['PHP', 'Philippine peso'],
  ['PKR', 'Pakistani rupee'],
  ['PLN', 'Polish złoty'],
  ['RON', 'Romanian leu'],
  ['RSD', 'Serbian dinar'],
  ['SAR', 'Saudi riyal'],
  ['SEK', 'Swedish krona'],
  ['SGD', 'Singapore dollar'],
  ['THB', 'Thai baht'],
  ['TND', 'Tunisian dinar'],
  ['TRY', 'Turkish lira'],
  ['TWD', 'New Taiwan dollar'],
  ['UAH', 'Ukrainian hryvnia'],
  ['USD', 'US dollar'],
  ['VND', 'Vietnamese đồng'],
  ['ZAR', 'South African rand'],
];

/**
 * Whether a code can be a workshop's currency.
 *
 * @param code three letters, or nothing for none
 */
export const isCurrency = (code: unknown): code is string => code === NO_CURRENCY || CURRENCIES.some(([known]) => known === code);

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
