import { causesIn, type CauseId, type EnginePart } from '@rusty-wren/core/knowledge';

/** One part of the drawn engine: its outline, where its name stands, and the causes that live in it. */
export interface DrawnPart {
  id: EnginePart;
  name: string;
  /** SVG paths on the 1000 by 740 board; the first is the body that takes the heat. */
  paths: readonly string[];
  /** The middle of its name. */
  label: { x: number; y: number };
  causes: readonly CauseId[];
}

const box = (x: number, y: number, w: number, h: number, r = 10): string =>
  `M${x + r} ${y}h${w - 2 * r}q${r} 0 ${r} ${r}v${h - 2 * r}q0 ${r} ${-r} ${r}h${-(w - 2 * r)}q${-r} 0 ${-r} ${-r}v${-(h - 2 * r)}q0 ${-r} ${r} ${-r}z`;

/**
 * The engine laid out as the fuel travels: tank at the lower left, up the line, through the carburettor to the case and
 * the cylinder, out of the muffler at the right; spark along the top. Every cause of the vocabulary lives in one part.
 */
const OUTLINES: readonly Omit<DrawnPart, 'causes'>[] = [
  {
    id: 'fuel',
    name: 'Fuel',
    paths: [box(30, 560, 215, 150), 'M52 600q14 -11 28 0t28 0t28 0t28 0t28 0t28 0'],
    label: { x: 137, y: 655 },
  },
  {
    id: 'tank',
    name: 'Tank and vent',
    paths: [box(30, 470, 215, 84), 'M72 470v-16h62v16'],
    label: { x: 137, y: 515 },
  },
  {
    id: 'filter',
    name: 'Fuel filter',
    paths: [box(275, 640, 165, 70, 30), 'M245 680h30'],
    label: { x: 357, y: 678 },
  },
  {
    id: 'line',
    name: 'Fuel lines',
    paths: [box(275, 545, 165, 74), 'M245 585h30M357 619v21M357 545v-20'],
    label: { x: 357, y: 585 },
  },
  {
    id: 'primer',
    name: 'Primer',
    paths: ['M30 430v-22q0 -52 75 -52t75 52v22q0 8 -8 8h-134q-8 0 -8 -8z', 'M150 438v16'],
    label: { x: 105, y: 406 },
  },
  {
    id: 'pump',
    name: 'Pump side',
    paths: [box(275, 437, 215, 88)],
    label: { x: 382, y: 483 },
  },
  {
    id: 'metering',
    name: 'Metering side',
    paths: [box(275, 341, 215, 88), 'M290 429v8M475 429v8'],
    label: { x: 382, y: 387 },
  },
  {
    id: 'circuits',
    name: 'Circuits, screws',
    paths: [box(275, 245, 215, 88), 'M290 333v8M475 333v8M320 245v-18M310 227h20M390 245v-18M380 227h20'],
    label: { x: 382, y: 291 },
  },
  {
    id: 'air',
    name: 'Air and choke',
    paths: [box(30, 245, 215, 84), 'M245 287h30M44 258v58M231 258v58'],
    label: { x: 137, y: 289 },
  },
  {
    id: 'intake',
    name: 'Intake',
    paths: [
      'M503 300q11 -12 22 0q11 12 22 0q11 -12 22 0q11 12 22 0v110q-11 12 -22 0q-11 -12 -22 0q-11 12 -22 0q-11 -12 -22 0z',
      'M490 355h13M591 355h14',
    ],
    label: { x: 547, y: 355 },
  },
  {
    id: 'case',
    name: 'Crankcase',
    paths: [
      'M605 525h220q12 0 12 12v70q0 105 -122 105t-122 -105v-70q0 -12 12 -12z',
      'M620 510v15M810 510v15',
    ],
    label: { x: 715, y: 612 },
  },
  {
    id: 'cylinder',
    name: 'Piston, bore',
    paths: [
      box(605, 245, 220, 265),
      'M605 262h-16M605 292h-16M825 262h16M825 292h16M635 510v-130q0 -10 10 -10h140q10 0 10 10v130M635 392h160',
    ],
    label: { x: 715, y: 312 },
  },
  {
    id: 'exhaust',
    name: 'Exhaust',
    paths: [box(855, 300, 125, 130, 24), 'M825 365h30M870 430v22h40v-22'],
    label: { x: 917, y: 362 },
  },
  {
    id: 'plug',
    name: 'Plug and lead',
    paths: [
      'M620 205v-52q0 -10 10 -10h170q10 0 10 10v52q0 10 -10 10h-170q-10 0 -10 -10z',
      'M700 215v30M730 215v30',
    ],
    label: { x: 715, y: 178 },
  },
  {
    id: 'coil',
    name: 'Coil and gap',
    paths: [box(605, 30, 220, 84), 'M715 114v29'],
    label: { x: 715, y: 74 },
  },
  {
    id: 'stop',
    name: 'Stop switch',
    paths: [box(385, 30, 180, 84), 'M565 72h40'],
    label: { x: 475, y: 74 },
  },
  {
    id: 'flywheel',
    name: 'Flywheel',
    paths: ['M917 15a66 60 0 1 1 0 120a66 60 0 1 1 0 -120z', 'M825 72h26'],
    label: { x: 917, y: 72 },
  },
  {
    id: 'drive',
    name: 'Drive',
    paths: [box(868, 560, 112, 96, 30), 'M837 608h31'],
    label: { x: 924, y: 606 },
  },
  {
    id: 'drill',
    name: 'Starting drill',
    paths: [box(30, 30, 215, 84)],
    label: { x: 137, y: 74 },
  },
];

/** Every part with the causes that sit in it. */
export const DRAWN_PARTS: readonly DrawnPart[] = OUTLINES.map((part) => ({
  ...part,
  causes: causesIn(part.id),
}));
