import { working } from '@viga/core'
import { Fragment, lazy, Suspense, type ReactNode } from 'react'
import { Formula } from '../widgets/Formula'
import { BlockTable } from './BlockTable'
import { WHOLE } from './large-power'
import { Lines } from './Lines'
import { Matrix } from './Matrix'
import { Body, HeldMember, LargeBlock, Polygon, Polynomial } from './own-views'

// charts are drawn in second order alone: their script comes with the first one
const Curve = lazy(() => import('./Curve'))

/** The blocks of a step as elements of the page. */
const ON_THE_PAGE: working.BlockVisitor<ReactNode> = {
  words: (b) => <p className="prose">{b.words}</p>,
  lines: (b, within) => <Lines block={b} within={within} />,
  matrix: (b, within) =>
    Math.max(b.rows.length, b.columns.length) > WHOLE ? (
      <LargeBlock key={b.title} block={b} />
    ) : (
      <Matrix key={b.title} block={b} within={within} />
    ),
  table: (b) => <BlockTable block={b} />,
  equation: (b) => (
    <div className="formula-block equation">
      <Formula
        tex={working.equationLatex(b)}
        plain={`${working.formulaText(b.left)} = ${working.formulaText(b.right)}`}
      />
    </div>
  ),
  drawing: (b) => <HeldMember block={b} />,
  body: (b) => <Body block={b} />,
  polygon: (b) => <Polygon block={b} />,
  chart: (b) => (
    <Suspense fallback={<div style={{ height: 276 }} />}>
      <Curve block={b} />
    </Suspense>
  ),
  polynomial: (b) => <Polynomial block={b} />,
}

/**
 * The parts of a step as the page shows them. `within` is the member they speak of, whose name letters need
 * not carry.
 */
export const Blocks = ({ blocks, within }: { blocks: readonly working.Block[]; within?: string }) =>
  blocks.map((b, i) => <Fragment key={i}>{working.visitBlock(b, ON_THE_PAGE, within)}</Fragment>)
