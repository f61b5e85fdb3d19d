export {
  CHUNK,
  chunkSize,
  joinFutures,
  liveChunk,
  numberToAskFor,
  type OutlookAnswer,
  type OutlookAsk,
  readOutlook,
  scenarioModel,
  type ScenarioModel,
} from './scenario'
export { outlookRows } from './table'
