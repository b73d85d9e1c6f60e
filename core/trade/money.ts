/** A sum in a currency (ISO 4217) as English text: “€ 204.62” is written €204.62. Less than a unit keeps three digits. */
export const moneyText = (sum: number, currency: string): string =>
  new Intl.NumberFormat('en-GB', {
    style: 'currency',
    currency,
    currencyDisplay: 'narrowSymbol',
    maximumFractionDigits: Math.abs(sum) < 1 && sum !== 0 ? 3 : 2,
  }).format(sum);
