'use client'

import {
  createColumnHelper,
  createSortedRowModel,
  rowSortingFeature,
  tableFeatures,
  useTable,
} from '@tanstack/react-table'
import { ArrowDown, ArrowUp } from 'lucide-react'
import type { ReactNode } from 'react'
import { cx } from './cx'

/** A column: its value decides the order, its words are what is shown. */
export interface TableColumn<Row> {
  id: string
  title: string
  /** Numbers stand at the right; a text stands at the left. */
  value: (row: Row) => number | string
  words: (row: Row) => ReactNode
}

const features = tableFeatures({ rowSortingFeature, sortedRowModel: createSortedRowModel() })

/** A table whose columns can be put in order by a tap on their titles. It scrolls sideways where it is wider than the screen. */
export function DataTable<Row>({
  caption,
  columns,
  rows,
  rowId,
  isMarked,
}: {
  caption: string
  columns: readonly TableColumn<Row>[]
  rows: readonly Row[]
  rowId: (row: Row) => string
  /** Rows that stand out. */
  isMarked?: (row: Row) => boolean
}) {
  interface Held {
    row: Row
  }
  const helper = createColumnHelper<typeof features, Held>()
  const table = useTable({
    features,
    data: rows.map((row) => ({ row })),
    columns: columns.map((c) =>
      helper.accessor((held: Held): unknown => c.value(held.row), {
        id: c.id,
        header: c.title,
        sortFn: (a, b, id) => {
          const [x, y] = [a.getValue<number | string>(id), b.getValue<number | string>(id)]
          return typeof x === 'number' && typeof y === 'number' ? x - y : String(x).localeCompare(String(y))
        },
      }),
    ),
  })
  const isNumber = (c: TableColumn<Row>) =>
    rows.length > 0 && rows.every((r) => typeof c.value(r) === 'number')
  const numeric = new Set(columns.filter(isNumber).map((c) => c.id))
  return (
    <div className="overflow-x-auto" tabIndex={0} role="region" aria-label={caption}>
      <table className="w-full border-collapse text-[15px]">
        <caption className="sr-only">{caption}</caption>
        <thead>
          {table.getHeaderGroups().map((group) => (
            <tr key={group.id}>
              {group.headers.map((h) => {
                const order = h.column.getIsSorted()
                return (
                  <th
                    key={h.id}
                    scope="col"
                    aria-sort={order ? (order === 'asc' ? 'ascending' : 'descending') : 'none'}
                    className={cx(
                      'px-2 py-1 align-bottom',
                      numeric.has(h.column.id) ? 'text-right' : 'text-left',
                    )}
                  >
                    <button
                      type="button"
                      className="inline-flex min-h-12 items-center gap-1 font-bold lg:min-h-8"
                      onClick={h.column.getToggleSortingHandler()}
                    >
                      {columns.find((c) => c.id === h.column.id)?.title}
                      {order === 'asc' && <ArrowUp aria-hidden className="size-4" />}
                      {order === 'desc' && <ArrowDown aria-hidden className="size-4" />}
                    </button>
                  </th>
                )
              })}
            </tr>
          ))}
        </thead>
        <tbody>
          {table.getRowModel().rows.map(({ original: { row } }) => (
            <tr
              key={rowId(row)}
              data-row={rowId(row)}
              className={cx('border-t border-line', isMarked?.(row) && 'bg-raised font-bold')}
            >
              {columns.map((c) => (
                <td
                  key={c.id}
                  className={cx(
                    'px-2 py-1.5',
                    numeric.has(c.id) ? 'text-right whitespace-nowrap' : 'text-left',
                  )}
                >
                  {c.words(row)}
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  )
}
