import { expose } from 'comlink'
import { findRecipe } from '#core/water'

const api = { findRecipe }
export type RecipesApi = typeof api
expose(api)
