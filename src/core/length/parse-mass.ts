/** Kilograms in a pound, by definition; fourteen pounds are a stone. */
const POUND = 0.45359237;
const STONE = 14;

/**
 * A weight as it is said: "85", "85 kg", "15 st", "15 st 4", "190 lb".
 *
 * @param text what was typed
 * @returns kg, to a tenth where it was not said in kg; null where it is no weight
 */
export function parseMass(text: string): number | null {
  const clean = text.trim().toLowerCase().replace(',', '.');
  const kilos = /^(-?\d+(?:\.\d+)?)\s*(?:kg|kilos?)?$/.exec(clean);
  if (kilos) return Number(kilos[1]);
  const imperial = /^(?:(\d+(?:\.\d+)?)\s*(?:st|stone))?\s*(?:(\d+(?:\.\d+)?)\s*(?:lbs?|pounds?)?)?$/.exec(clean);
  const [, stones, pounds] = imperial ?? [];
  if (stones === undefined && pounds === undefined) return null;
  return Math.round(10 * POUND * (STONE * Number(stones ?? 0) + Number(pounds ?? 0))) / 10;
}
