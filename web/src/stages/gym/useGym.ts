// Saving and taking out what the gym owns; every reader is told.
import { useQueryClient } from '@tanstack/vue-query'
import { answered, client, once, type Schemas } from '@/shared/api'
import { useProblem } from '@/shared/useProblem'

export function useGym() {
  const queries = useQueryClient()
  const { message, busy, run, of } = useProblem()
  async function write(action: () => Promise<unknown>): Promise<boolean> {
    const done = await run(action)
    if (done) await queries.invalidateQueries()
    return done !== undefined
  }
  return {
    message,
    busy,
    of,
    saveRack: (body: Schemas['RackIn']) =>
      write(() => answered(client.PUT('/api/equipment/racks', { params: once(), body }))),
    saveBar: (body: Schemas['BarIn']) =>
      write(() => answered(client.PUT('/api/equipment/bars', { params: once(), body }))),
    count: (plates: Schemas['PlateCount'][]) =>
      write(() => answered(client.PUT('/api/equipment/plates', { params: once(), body: { plates } }))),
    takeRack: (rack_id: string) =>
      write(() =>
        answered(
          client.DELETE('/api/equipment/racks/{rack_id}', { params: { path: { rack_id }, ...once() } }),
        ),
      ),
    takeBar: (bar_id: string) =>
      write(() =>
        answered(client.DELETE('/api/equipment/bars/{bar_id}', { params: { path: { bar_id }, ...once() } })),
      ),
  }
}
