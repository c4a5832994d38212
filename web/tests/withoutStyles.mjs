// Node loads the component library by itself, once for all tests; its style sheets are nothing to it.
import { register } from 'node:module'

const hook = `export const load = (url, context, next) =>
  url.endsWith('.css') ? { format: 'module', source: '', shortCircuit: true } : next(url, context)`
register(`data:text/javascript,${encodeURIComponent(hook)}`)
