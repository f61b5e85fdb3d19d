// npm run build: the app with its server, unless it was built from these very sources.
import { ensureBuilt, ensureInstalled } from './lib/prepare.mjs'

ensureInstalled()
ensureBuilt()
