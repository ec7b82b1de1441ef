import Link from 'next/link'

export default function NotFound() {
  return (
    <main className="mx-auto max-w-xl p-8">
      <h1 className="text-2xl font-bold">There is nothing at this address</h1>
      <p className="mt-3">
        <Link href="/" className="text-copper underline">
          Go to the jobs
        </Link>
      </p>
    </main>
  )
}
