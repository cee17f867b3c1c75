export {
  knownAt,
  MODEL_PLACES,
  MOST_SAID,
  placeName,
  type Known,
  type ModelNote,
  type ModelPlace,
  type OfModel,
} from './modelNote';
export { noteTable, readNoteTable } from './noteTable';
