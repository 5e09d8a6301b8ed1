export type Sign = '=' | '±' | '≠' | '→' | '?'

const NAMES: Record<Sign, string> = {
  '=': 'agrees',
  '±': 'agrees under another sign convention',
  '≠': 'differs',
  '→': 'follows from a wrong value',
  '?': 'not found',
}

/**
 * The verdict as a drawn sign: = agrees, = under a plus agrees under another sign convention, ≠ differs, →
 * follows from a wrong value. Never colour alone.
 */
export function VerdictSign({ sign, size = 12 }: { sign: Sign; size?: number }) {
  const ink = sign === '≠' || sign === '→' ? 'var(--pencil)' : sign === '±' ? 'var(--load)' : 'var(--ink)'
  return (
    <svg
      width={size}
      height={size}
      viewBox="0 0 12 12"
      fill="none"
      stroke={ink}
      strokeWidth="1.3"
      role="img"
      aria-label={NAMES[sign]}
    >
      {sign === '?' ? (
        <path d="M4 4.2a2 2 0 1 1 2.6 2c-.5.2-.6.5-.6 1.1M6 9.2v.6" />
      ) : sign === '→' ? (
        <path d="M1.4 6h8.8M6.8 2.6L10.4 6L6.8 9.4" />
      ) : sign === '±' ? (
        <path d="M1.8 7.2h8.4M1.8 10.2h8.4M6 .8v4M4 2.8h4" />
      ) : (
        <path d={`M1.8 4.4h8.4M1.8 7.6h8.4${sign === '≠' ? 'M8.4 1.4L3.6 10.6' : ''}`} />
      )}
    </svg>
  )
}
