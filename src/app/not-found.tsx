import Link from 'next/link';

export default function NotFound() {
  return (
    <main className="p-10">
      <h1 className="font-display text-2xl mb-2">Not on the floor</h1>
      <p className="mb-4">There is no such piece or page here. It may have been removed.</p>
      <Link href="/" className="btn btn-primary">
        To the floor
      </Link>
    </main>
  );
}
