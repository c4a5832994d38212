<script setup lang="ts">
// Films that ship with Pavrik and show this lifter: opened with a press, tapped already.
import { say } from '@/words'
import { computed } from 'vue'
import { useQuery } from '@tanstack/vue-query'
import { answered, client, uuid7, type Schemas } from '@/shared/api'
import { useProblem } from '@/shared/useProblem'
import { headOnTappedOf, tappedOf, type HeadOnTaps, type Tapped, type Taps } from './taps'

type Film = Schemas['ReadyMadeFilm']
const props = defineProps<{ lifterId: string }>()
const emit = defineEmits<{ opened: [film: Blob, filmId: string, about: Film, start: Tapped] }>()
const path = computed(() => ({ lifter_id: props.lifterId }))
const films = useQuery({
  queryKey: computed(() => [say('watch.ready_made_films'), props.lifterId]),
  queryFn: () =>
    answered(client.GET('/api/lifters/{lifter_id}/ready-made-films', { params: { path: path.value } })),
  staleTime: Infinity,
})
const { message, busy, run } = useProblem()

const tapped = (about: Film) =>
  about.taps ? tappedOf(about.taps as Taps) : headOnTappedOf(about.head_on_taps as HeadOnTaps)

async function open(about: Film) {
  const filmId = uuid7()
  await run(async () => {
    await answered(
      client.POST('/api/lifters/{lifter_id}/ready-made-films', {
        params: { path: path.value },
        body: { film_id: filmId, name: about.name },
      }),
    )
    const film = await fetch(`/api/lifters/${props.lifterId}/films/${filmId}`)
    if (!film.ok) throw new Error(say('watch.the_film_could_not_be_opened'))
    emit('opened', await film.blob(), filmId, about, tapped(about))
  })
}
</script>

<template>
  <div v-if="films.data.value?.length" class="ready">
    <h2>{{ say('watch.ready_to_open') }}</h2>
    <p v-for="film in films.data.value" :key="film.name">
      <v-btn size="small" variant="outlined" :disabled="busy" @click="open(film as Film)">{{
        say('watch.open')
      }}</v-btn>
      {{ film.says }}, {{ film.load_kg }} kg
      <span class="soft small">{{ say('watch.a_drawn_film_tapped_already') }}</span>
    </p>
    <p v-if="message" class="signal" role="alert">{{ message }}</p>
  </div>
</template>

<style scoped>
.ready {
  margin: 14px 0;
}
p {
  display: flex;
  gap: 10px;
  align-items: center;
  flex-wrap: wrap;
  margin: 6px 0 0;
}
</style>
