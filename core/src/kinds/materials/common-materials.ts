import type { Material } from '../../document/types.js'

/** A material with the values courses use, ready to be put into a problem. */
export interface CommonMaterial {
  name: string
  /** Which unit system the values are rounded in. */
  system: 'SI' | 'US'
  material: Required<Pick<Material, 'E' | 'unitWeight' | 'alpha' | 'nu'>>
}

const si = (name: string, E: string, unitWeight: string, alpha: string, nu: number): CommonMaterial => ({
  name,
  system: 'SI',
  material: { E, unitWeight, alpha, nu },
})
const us = (name: string, E: string, unitWeight: string, alpha: string, nu: number): CommonMaterial => ({
  name,
  system: 'US',
  material: { E, unitWeight, alpha, nu },
})

/**
 * Usual elastic properties. Sources: EN 1993-1-1 §3.2.6 (steel), EN 1992-1-1 table 3.1 (concrete, Ecm), EN
 * 1999-1-1 §3.2.5 (aluminium), EN 338 and EN 14080 (timber, mean values along the grain), AISC 360 and ACI
 * 318 for the American values.
 */
export const COMMON_MATERIALS: readonly CommonMaterial[] = [
  si('Steel', '210 GPa', '78.5 kN/m^3', '12e-6/K', 0.3),
  si('Steel, E = 200 GPa', '200 GPa', '77 kN/m^3', '12e-6/K', 0.3),
  si('Concrete C20/25', '30 GPa', '25 kN/m^3', '10e-6/K', 0.2),
  si('Concrete C25/30', '31 GPa', '25 kN/m^3', '10e-6/K', 0.2),
  si('Concrete C30/37', '33 GPa', '25 kN/m^3', '10e-6/K', 0.2),
  si('Concrete C35/45', '34 GPa', '25 kN/m^3', '10e-6/K', 0.2),
  si('Concrete C40/50', '35 GPa', '25 kN/m^3', '10e-6/K', 0.2),
  si('Aluminium', '70 GPa', '27 kN/m^3', '23e-6/K', 0.3),
  si('Timber C16', '8 GPa', '370 kg/m^3', '5e-6/K', 0.3),
  si('Timber C24', '11 GPa', '420 kg/m^3', '5e-6/K', 0.3),
  si('Timber C30', '12 GPa', '460 kg/m^3', '5e-6/K', 0.3),
  si('Glued timber GL24h', '11.5 GPa', '420 kg/m^3', '5e-6/K', 0.3),
  si('Glued timber GL28h', '12.6 GPa', '460 kg/m^3', '5e-6/K', 0.3),
  us('Steel', '29000 ksi', '490 pcf', '6.5e-6/degF', 0.3),
  us('Concrete, f′c = 3000 psi', '3120 ksi', '150 pcf', '5.5e-6/degF', 0.2),
  us('Concrete, f′c = 4000 psi', '3605 ksi', '150 pcf', '5.5e-6/degF', 0.2),
  us('Concrete, f′c = 5000 psi', '4030 ksi', '150 pcf', '5.5e-6/degF', 0.2),
  us('Aluminium', '10000 ksi', '170 pcf', '12.8e-6/degF', 0.33),
  us('Timber, Douglas fir', '1800 ksi', '34 pcf', '2.1e-6/degF', 0.3),
  us('Timber, southern pine', '1600 ksi', '36 pcf', '2.1e-6/degF', 0.3),
]

/** Those in the problem's own system of units first. */
export const materialsFor = (lengthUnit: string): CommonMaterial[] => {
  const system = lengthUnit === 'ft' || lengthUnit === 'in' ? 'US' : 'SI'
  return [...COMMON_MATERIALS].sort((a, b) => Number(b.system === system) - Number(a.system === system))
}
