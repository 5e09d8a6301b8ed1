import LinearProgress from '@mui/material/LinearProgress'
import {
  RESULT_TABLES,
  stationsTable,
  tableCells,
  withJoins,
  type ResultTable,
  type ResultTableKey,
} from '@viga/core'
import { useEffect, useMemo, useState } from 'react'
import { useDisplay, useSheet, useSheetStore } from '../../sheet/context'
import { envelopeLater } from '../../sheet/envelope-later'
import { Pick } from '../../widgets/Pick'
import { Press } from '../../widgets/Press'
import { Toggle } from '../../widgets/Toggle'
import { isOfField } from '../../commands/typing'
import { useEnvelope } from '../envelope/use-envelope'
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
  const [key, setKey] = useState<TableKey>('reactions')
  const [envelope, setEnvelope] = useState(false)
  const [units, setUnits] = useState<ChosenUnits>({})
  const [figures, setFigures] = useState(4)
  const [sorting, setSorting] = useState<Sorting | null>(null)
  const { table, tables } = useTables({ solution, action }, key, envelope, units)
  const many = actionsOf(solution).length > 1
  return (
    <>
      <div className="table-choices" role="group" aria-label="Table">
        {(Object.keys(NAMES) as TableKey[])
          .filter((k) => k !== 'stations' || !envelope)
          .map((k) => (
            <Toggle key={k} on={k === key} onClick={() => (setKey(k), setSorting(null))}>
              {NAMES[k]}
            </Toggle>
          ))}
      </div>
      <div className="table-options">
        {many && (
          <Toggle
            on={envelope}
            onClick={() => {
              setEnvelope(!envelope)
              setSorting(null)
              if (key === 'stations') setKey('extremes')
            }}
          >
            Envelope of all cases
          </Toggle>
        )}
        <Units units={units} choose={setUnits} own={own} />
        <Figures figures={figures} choose={setFigures} />
      </div>
      <div className="wide-table">
        {table ? (
          <ResultTableView table={table} figures={figures} sorting={sorting} onSort={setSorting} />
        ) : (
          <LinearProgress aria-label="the table is being made" />
        )}
      </div>
      {table && <Ways table={table} title={title} tables={tables} />}
    </>
  )
}

/** The chosen table, and what makes all of them. */
function useTables({ solution, action }: Solved, key: TableKey, envelope: boolean, units: ChosenUnits) {
  const store = useSheetStore()
  const own = useDisplay()
  const signs = useSigns()
  const display = useMemo(() => withUnits(own, units), [own, units])
  const every = useMemo(() => actionsOf(solution), [solution])
  const ask = useMemo(
    () => (envelope && key !== 'stations' ? { keys: [key], display, signs } : null),
    [envelope, key, display, signs],
  )
  const extremes = useEnvelope('tables', solution, every, ask)
  const source = useMemo(
    () => ({ solution, actions: [action], envelope: false, display, signs }),
    [solution, action, display, signs],
  )
  const table = useMemo(
    () =>
      envelope
        ? extremes?.[0]
        : key === 'stations'
          ? stationsTable(source, STATIONS)
          : RESULT_TABLES[key](source),
    [envelope, extremes, key, source],
  )
  const tables = async (): Promise<ResultTable[]> => {
    const keys = Object.keys(RESULT_TABLES) as ResultTableKey[]
    return envelope
      ? envelopeLater(store.getState().problem, solution, 'tables', every, { keys, display, signs })
      : [...keys.map((k) => RESULT_TABLES[k](source)), stationsTable(source, STATIONS)]
  }
  return { table, tables }
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
function Ways({
  table,
  title,
  tables,
}: {
  table: ResultTable
  title: string
  tables: () => Promise<ResultTable[]>
}) {
  const [said, setSaid] = useState('')
  const store = useSheetStore()
  const outgoing = (shown: ResultTable) => withJoins(shown, store.getState().problem)
  const copy = () =>
    void navigator.clipboard.writeText(tableCells(outgoing(table))).then(
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
      <Press className="textlink" onClick={() => downloadCsv(title, outgoing(table))}>
        CSV file
      </Press>
      <Press
        className="textlink"
        onClick={() => void tables().then((all) => downloadWorkbook(title, all.map(outgoing)))}
      >
        XLSX workbook of all tables
      </Press>
      <span role="status" className="quiet">
        {said}
      </span>
    </p>
  )
}
