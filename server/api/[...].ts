/** Whatever is no route of ours: said in JSON, never answered with a page. */
import { methodsOf } from '../utils/routes'

export default defineEventHandler((event) => {
  const methods = methodsOf(event.path.split('?', 1)[0]!)
  if (!methods) throw problem(404, { path: '', code: 'unknownRoute' })
  setResponseHeader(event, 'allow', methods.join(', '))
  throw problem(405, { path: '', code: 'otherMethod' })
})
