import type { View } from '@viga/drawing/view'
import { fileName } from '@viga/core'
import { useState } from 'react'
import { useParams } from 'react-router'
import { SHOWN, type Shown } from '@viga/drawing/figure-file'
import type { Layers } from '@viga/drawing/scene'
import { useSheet } from '../../sheet/context'
import { Block } from '../../widgets/Block'
import { Press } from '../../widgets/Press'
import { Tick } from '../../widgets/Tick'
import type { Solved } from '../solved'
import { download } from '../tables/workbook'

/** The names of what the Figure shows now, as an address has them. */
export function shownNow(layers: Layers): Shown[] {
  const on: Record<Shown, boolean> = {
    N: layers.diagram === 'N',
    V: layers.diagram === 'V',
    M: layers.diagram === 'M',
    all: layers.all ?? false,
    deflected: layers.deflected,
    loads: layers.loads,
    dimensions: layers.dimensions,
    supports: layers.supports,
    names: layers.names,
    reactions: layers.reactions,
    zeros: layers.zeros ?? false,
    envelope: layers.envelope ?? false,
  }
  return SHOWN.filter((name) => on[name])
}

/** A view as an address has it. */
const viewWords = ({ scale, ox, oy, width, height }: View) =>
  [scale, ox, oy, width, height].map((v) => Number(v.toPrecision(7))).join(',')

/** Parts of the report that may be left out. */
const PARTS = {
  statement: 'the statement and its figure',
  diagrams: 'diagrams and the deflected shape',
  reactions: 'reactions and equilibrium',
  'end-forces': 'member end forces',
  extremes: 'extremes',
  displacements: 'displacements',
} as const
type ReportPart = keyof typeof PARTS

/** The Figure and the numbers as files: for a report, a sheet of paper, or another program. */
export default function Export({ action }: Solved) {
  const { problemId } = useParams()
  const title = useSheet((s) => s.problem.title)
  const layers = useSheet((s) => s.shown.results)
  const enlarge = useSheet((s) => s.enlarge)
  const size = useSheet((s) => s.diagramSize)
  const moved = useSheet((s) => s.movedView)
  const [captioned, setCaptioned] = useState(true)
  const query = new URLSearchParams({
    show: shownNow(layers).join(','),
    case: action.id,
    enlarge: String(enlarge),
    size: String(Math.round(size * 1000) / 1000),
    ...(captioned && { caption: '1' }),
    ...(moved && { view: viewWords(moved) }),
  })
  const base = `/problems/${problemId}`
  const figure = (form: string) => `${base}/figure-as/${form}?${query}`
  return (
    <>
      <Block title="The Figure">
        <p className="export-line">
          as it stands beside this page:{' '}
          <a className="textlink" href={figure('svg')} download>
            SVG
          </a>
          <Png address={figure('svg')} name={`${fileName(title)}-${action.id}.png`} />
          <a className="textlink" href={figure('pdf')} download>
            PDF
          </a>
        </p>
        <div className="envelope-of">
          <label>
            <Tick
              checked={captioned}
              onChange={() => setCaptioned(!captioned)}
              aria-label="with its caption"
            />
            {' with its caption'}
          </label>
        </div>
      </Block>
      <Report base={base} action={action.id} />
      <Block title="Numbers">
        <p className="export-line">
          Tables for a spreadsheet are under Tables; every case at once on the command line:{' '}
          <code>npx viga solve FILE --csv FOLDER</code>
        </p>
      </Block>
    </>
  )
}

/** The results as one document, of the parts that are chosen. */
function Report({ base, action }: { base: string; action: string }) {
  const [parts, setParts] = useState<ReadonlySet<ReportPart>>(
    () => new Set(Object.keys(PARTS) as ReportPart[]),
  )
  const query = new URLSearchParams({ case: action, parts: [...parts].join(',') })
  const toggle = (part: ReportPart) => {
    const next = new Set(parts)
    if (!next.delete(part)) next.add(part)
    setParts(next)
  }
  return (
    <Block title="A report">
      <div className="envelope-of">
        {(Object.keys(PARTS) as ReportPart[]).map((part) => (
          <label key={part}>
            <Tick checked={parts.has(part)} onChange={() => toggle(part)} aria-label={PARTS[part]} />{' '}
            {PARTS[part]}
          </label>
        ))}
      </div>
      <p className="export-line">
        {parts.size === 0 ? (
          <span className="quiet">Choose what is to be in it.</span>
        ) : (
          <a className="textlink" href={`${base}/results-as/pdf?${query}`} download>
            The results as PDF
          </a>
        )}
      </p>
    </Block>
  )
}

/** Twice as many px as the screen, so that it stays sharp in print. */
const PNG_SCALE = 2

/** The picture as PNG: the SVG painted on a canvas of the browser. */
function Png({ address, name }: { address: string; name: string }) {
  const [wrong, setWrong] = useState('')
  const make = async () => {
    setWrong('')
    try {
      const response = await fetch(address)
      if (!response.ok) throw new Error('refused')
      const svg = URL.createObjectURL(await response.blob())
      const image = new Image()
      image.src = svg
      await image.decode()
      const canvas = document.createElement('canvas')
      canvas.width = image.naturalWidth * PNG_SCALE
      canvas.height = image.naturalHeight * PNG_SCALE
      canvas.getContext('2d')!.drawImage(image, 0, 0, canvas.width, canvas.height)
      URL.revokeObjectURL(svg)
      const png = await new Promise<Blob | null>((resolve) => canvas.toBlob(resolve, 'image/png'))
      if (!png) throw new Error('empty')
      download(name, png)
    } catch {
      setWrong('The picture could not be made; the SVG file has the same drawing.')
    }
  }
  return (
    <>
      <Press className="textlink" onClick={() => void make()}>
        PNG
      </Press>
      {wrong && (
        <span className="pencil" role="alert">
          {wrong}
        </span>
      )}
    </>
  )
}
