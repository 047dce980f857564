/**
 * Every formula a working can name, as it is written on paper, with where it comes from.
 * docs/calculations.md explains each under the same id.
 */
export const formulas = {
  'coax-loop': {
    writes: 'R = Σ L · (centre + shield), at temperature',
    source: 'typical figures of the construction; R = ρ(T)·L/A',
  },
  'insulation-by-length': { writes: 'R = R₁₀₀ · 100 m / L', source: 'Leaks side by side; practice' },
  'power-loop': { writes: 'R = Σ ρ(T)·L/A · (1/out + 1/back)', source: 'R = ρ(T)·L/A; AWG by ASTM B258' },
  'temperature-correction': {
    writes: 'R(T) = R(read) · expected(T) / expected(read)',
    source: 'linear temperature coefficient of the conductor',
  },
  'loop-spread': {
    writes: 'σ² = (Ω/m · ΔL)² + (3 % R)² + (0.5 % R + 0.1 Ω)²',
    source: 'length, construction and meter, taken as independent',
  },
  'dc-feed': { writes: 'V = (V₀ + √(V₀² − 4·R·P)) / 2', source: 'constant-power load behind a resistance' },
  'feed-amps': {
    writes: 'I = (V₀ − V) / R ≤ fuse',
    source: 'the same current flows through load, loop and fuse; start-up as noted',
  },
  'most-watts': {
    writes: 'I = min((V₀ − V_min)/R, P_src/V₀);  P = (V₀ − I·R)·I',
    source: 'least volts at the load and the source’s own limit',
  },
  'drop-share': {
    writes: 'share = (V₀ − V) / (V₀ − V_min)',
    source: 'part of the allowed voltage drop that is used',
  },
  'picture-loss': {
    writes: 'dB = Σ L/100 · (a·√f + b·f + c/√f) + joints + baluns',
    source: 'typical attenuation fit, at the format’s top frequency',
  },
  'link-rate': { writes: 'Mb/s = η · Δf · Σ bits(SNR of carrier k)', source: 'bit loading with an SNR gap' },
  'channel-length': {
    writes: 'Σ L · 90 m / longest(T) + cords · 1.5 ≤ 102 m',
    source: 'ISO/IEC 11801, ANSI/TIA-568.2-D',
  },
  'echo-distance': {
    writes: 'd = vf · c · t / 2',
    source: 'a wave goes there and comes back, each segment at its own speed',
  },
  'wireless-level': {
    writes: 'level = EIRP − (32.44 + 20·log km + 20·log MHz) − clutter + gain',
    source: 'ITU-R P.525; rates of a 20 MHz channel by level over noise and neighbours',
  },
  'wide-view': {
    writes: 'px/m = pixels across / (2 · d · tan(θ / 2))',
    source: 'pinhole camera; lenses that bend straight lines give no fewer anywhere',
  },
  'shared-airtime': {
    writes: 'Mb/s = rate − streams of the other cameras there',
    source: 'cameras behind one bridge share its airtime',
  },
  fresnel: {
    writes: 'r = 17.32·√(d₁·d₂ / (f·d));  60 % of it clear',
    source: 'first Fresnel zone, ITU-R P.530',
  },
  'fade-margin': {
    writes: 'level − 10 dB, over water − 15 dB',
    source: 'Usual practice of fixed radio links',
  },
  'fibre-loss': {
    writes: 'dB = 0.5 · km + 4 · 0.75 + 2 · 0.3 + 3 for repair',
    source: 'ANSI/TIA-568.3-D',
  },
  'distance-table': {
    writes: 'the row of the next longer distance',
    source: 'the data sheet in the catalogue',
  },
  'link-load': { writes: 'Mb/s = Σ of the cameras whose way goes over it', source: 'sums of streams' },
  'link-room': {
    writes: 'at most 0.8 · what it carries, planned with 0.6',
    source: 'Policy: room for bursts and for what is read back',
  },
  airtime: {
    writes: '% = Σ of its links and cameras, Mb/s of each / Mb/s it carries alone',
    source: 'one radio sends or hears one way at a time',
  },
  'pool-watts': {
    writes: 'W = Σ of the ports, by class, or at their start over coax',
    source: 'IEEE 802.3-2022, PoE classes at the source',
  },
  'mains-watts': {
    writes: 'W = own + Σ of what hangs on it / efficiency',
    source: 'sums; a supply box passes on 85 %, PoE gear 90 % (typical)',
  },
  'mains-volt-amps': {
    writes: 'VA = Σ W / power factor;  0.95 from 75 W on, 0.65 below it and behind a transformer',
    source: 'IEC 61000-3-2 asks larger gear to draw evenly; a bridge with a capacitor does not (typical)',
  },
  'ups-hours': {
    writes: 'h = usable Wh · 0.8 · efficiency / W',
    source: 'IEEE 1188 replaces a battery at 80 % of its Wh',
  },
  'battery-worn-from': {
    writes: 'worn from = year on it + 4',
    source: 'Policy: makers’ usual three to five years of sealed lead at 20 to 25 °C',
  },
  'lasting-load': {
    writes: 'at most = rating · 0.8',
    source: 'Policy: loads that last for hours; local codes decide',
  },
  'ports-in-use': {
    writes: 'ports = cameras + leads to other gear − 1 + what others take',
    source: 'counted',
  },
  'against-limit': { writes: 'reading against limit', source: 'the test’s own limit' },
} as const;

export type FormulaId = keyof typeof formulas;
