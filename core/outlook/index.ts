export { CHUNK, chunkSize, joinFutures, liveChunk, type OutlookAnswer, type OutlookAsk, readOutlook, scenarioModel, type ScenarioModel } from './scenario'
export { outlookRows } from './table'
