export { followStopWire, STOP_WIRE, type StopWireOutcome, type StopWireStep } from './stopWire';
