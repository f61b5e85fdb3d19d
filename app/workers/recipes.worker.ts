import { expose } from 'comlink'
import { howTheyFit } from '#core/care'
import { type FillWish, fillToBuy, findRecipe } from '#core/water'

const api = { findRecipe, fillToBuy: (wish: FillWish) => fillToBuy(wish), howTheyFit }
export type RecipesApi = typeof api
expose(api)
