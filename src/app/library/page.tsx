import { Library } from '@/features/library'

export default function Page() {
  return <Library />
}
