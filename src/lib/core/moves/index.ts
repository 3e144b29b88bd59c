export { actionsFor, type Act, type Action, type Printed } from './actions';
export { moveList, type CardJob, type Command, type MoveList } from './list';
export { startupLines, type StartupLine } from './startup';
