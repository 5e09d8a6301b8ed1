export type SupportType = 'fixed' | 'pin' | 'roller' | 'guide' | 'slider'

/** What each type of support holds, in its own axes. The one list a new type is added to. */
export const SUPPORT_KINDS: Readonly<Record<SupportType, Record<'x' | 'y' | 'rotation', boolean>>> = {
  fixed: { x: true, y: true, rotation: true },
  pin: { x: true, y: true, rotation: false },
  roller: { x: false, y: true, rotation: false },
  guide: { x: false, y: true, rotation: true },
  slider: { x: true, y: false, rotation: true },
}

export const SUPPORT_TYPES = Object.keys(SUPPORT_KINDS) as SupportType[]
