/** An instant as it is said in this place. */
export function Instant({ at }: { at: string }) {
  const date = new Date(at);
  return (
    <time dateTime={at} suppressHydrationWarning>
      {date.toLocaleDateString('en-GB', { day: 'numeric', month: 'long', year: 'numeric' })},{' '}
      {date.toLocaleTimeString('en-GB', { hour: '2-digit', minute: '2-digit' })}
    </time>
  );
}
