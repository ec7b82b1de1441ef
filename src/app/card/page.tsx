import { Scan } from '@/features/scan'

export default function Page() {
  return <Scan />
}
