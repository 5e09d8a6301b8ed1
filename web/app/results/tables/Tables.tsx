import { RESULT_TABLES, stationsTable, tableCells, type ResultTable, type ResultTableKey } from '@viga/core'
import { useEffect, useMemo, useState } from 'react'
import { useDisplay, useSheet } from '../../sheet/context'
import { Pick } from '../../widgets/Pick'
import { Press } from '../../widgets/Press'
import { isOfField } from '../../commands/typing'
import { actionsOf, useSigns, type Solved } from '../solved'
import { ResultTableView, type Sorting } from './ResultTableView'
import { UNIT_CHOICES, unitWords, withUnits, type ChosenUnits, type UnitKey } from './shown-units'
import { downloadCsv, downloadWorkbook } from './workbook'

type TableKey = ResultTableKey | 'stations'

const NAMES: Record<TableKey, string> = {
  reactions: 'Reactions',
  displacements: 'Displacements',
  'end-forces': 'End forces',
  extremes: 'Extremes',
  stations: 'Stations',
}

/** Evenly spaced stations a member in the table of stations, its ends included. */
const STATIONS = 11

/**
 * The numbers as tables: of the case that is shown or of the envelope, to be sorted, copied and taken along.
 */
export default function Tables({ solution, action }: Solved) {
  const title = useSheet((s) => s.problem.title)
  const own = useDisplay()
  const signs = useSigns()
  const [key, setKey] = useState<TableKey>('reactions')
  const [envelope, setEnvelope] = useState(false)
  const [units, setUnits] = useState<ChosenUnits>({})
  const [figures, setFigures] = useState(4)
  const [sorting, setSorting] = useState<Sorting | null>(null)
  const source = useMemo(() => {
    const actions = envelope ? actionsOf(solution) : [action]
    return { solution, actions, envelope, display: withUnits(own, units), signs }
  }, [solution, action, envelope, own, units, signs])
  const table = useMemo(
    () => (key === 'stations' ? stationsTable(source, STATIONS) : RESULT_TABLES[key](source)),
    [key, source],
  )
  const many = actionsOf(solution).length > 1
  return (
    <>
      <div className="table-choices" role="group" aria-label="Table">
        {(Object.keys(NAMES) as TableKey[])
          .filter((k) => k !== 'stations' || !envelope)
          .map((k) => (
            <Press key={k} aria-pressed={k === key} onClick={() => (setKey(k), setSorting(null))}>
              {NAMES[k]}
            </Press>
          ))}
      </div>
      <div className="table-options">
        {many && (
          <Press
            aria-pressed={envelope}
            onClick={() => {
              setEnvelope(!envelope)
              setSorting(null)
              if (key === 'stations') setKey('extremes')
            }}
          >
            Envelope of all cases
          </Press>
        )}
        <Units units={units} choose={setUnits} own={own} />
        <Figures figures={figures} choose={setFigures} />
      </div>
      <div className="wide-table">
        <ResultTableView table={table} figures={figures} sorting={sorting} onSort={setSorting} />
      </div>
      <Ways
        table={table}
        title={title}
        tables={() => [
          ...Object.values(RESULT_TABLES).map((make) => make(source)),
          ...(envelope ? [] : [stationsTable(source, STATIONS)]),
        ]}
      />
    </>
  )
}

function Figures({ figures, choose }: { figures: number; choose: (figures: number) => void }) {
  return (
    <label>
      <span className="quiet">figures</span>
      <Pick
        className="cell-select"
        aria-label="significant figures"
        value={figures}
        onChange={(e) => choose(Number(e.target.value))}
      >
        {[3, 4, 5, 6, 8, 10].map((n) => (
          <option key={n}>{n}</option>
        ))}
      </Pick>
    </label>
  )
}

function Units({
  units,
  choose,
  own,
}: {
  units: ChosenUnits
  choose: (units: ChosenUnits) => void
  own: ReturnType<typeof useDisplay>
}) {
  return (Object.keys(UNIT_CHOICES) as UnitKey[]).map((key) => (
    <label key={key}>
      <span className="quiet">{UNIT_CHOICES[key].name}</span>
      <Pick
        className="cell-select"
        aria-label={`unit of ${UNIT_CHOICES[key].name}`}
        value={units[key] ?? ''}
        onChange={(e) => choose({ ...units, [key]: e.target.value || undefined })}
      >
        <option value="">{own[key].unit}</option>
        {UNIT_CHOICES[key].units
          .filter((u) => unitWords(u) !== own[key].unit)
          .map((u) => (
            <option key={u} value={u}>
              {unitWords(u)}
            </option>
          ))}
      </Pick>
    </label>
  ))
}

/** Out of Viga: to the clipboard by one key, as a CSV file, or all tables as a workbook. */
function Ways({ table, title, tables }: { table: ResultTable; title: string; tables: () => ResultTable[] }) {
  const [said, setSaid] = useState('')
  const copy = () =>
    void navigator.clipboard.writeText(tableCells(table)).then(
      () => setSaid(`${table.title} copied: ${table.rows.length} rows.`),
      () => setSaid('The browser does not allow copying here.'),
    )
  useEffect(() => {
    const onKey = (e: KeyboardEvent) => {
      if (e.key !== 'c' || isOfField(e) || e.ctrlKey || e.metaKey || e.altKey) return
      e.preventDefault()
      copy()
    }
    window.addEventListener('keydown', onKey)
    return () => window.removeEventListener('keydown', onKey)
  })
  return (
    <p className="ways">
      <Press className="textlink" onClick={copy}>
        Copy the table
      </Press>
      <kbd>c</kbd>
      <Press className="textlink" onClick={() => downloadCsv(title, table)}>
        CSV file
      </Press>
      <Press className="textlink" onClick={() => void downloadWorkbook(title, tables())}>
        XLSX workbook of all tables
      </Press>
      <span role="status" className="quiet">
        {said}
      </span>
    </p>
  )
}
