export { engineOf, type Controls, type EngineState, type SimulatedEngine } from './engine';
export { makeOf, type EngineMake } from './make';
export { GUIDED_S, guidedRun, type Screws } from './runs';
export { PLAIN, soundOf, soundStream, type SoundRecipe, type SpeedPoint } from './sound';
export { seedOf, standInOf, standInScrews, trackOf } from './standIn';
