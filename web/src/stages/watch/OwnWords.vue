<script setup lang="ts">
// A line of the review as Pavrik says it, or in the coach's own words; one press to say it otherwise.
import { say } from '@/words'
import { nextTick, ref, useTemplateRef } from 'vue'
import { answered, client, once, uuid7 } from '@/shared/api'
import { useForget } from '@/shared/useLifter'
import { useProblem } from '@/shared/useProblem'
import { useSession } from '@/shared/session'

const props = defineProps<{ lifterId: string; clipId: string; subject: string; said: string; name: string }>()
const { mayWrite } = useSession()
const forget = useForget()
const { message, busy, run } = useProblem()
const open = ref(false)
const words = ref('')
const field = useTemplateRef<HTMLTextAreaElement>('field')

async function begin() {
  words.value = props.said
  open.value = true
  await nextTick()
  field.value?.focus()
}
async function keep(text: string) {
  const id = uuid7()
  const said = await run(() =>
    answered(
      client.POST('/api/lifters/{lifter_id}/clips/{clip_id}/words', {
        params: { path: { lifter_id: props.lifterId, clip_id: props.clipId }, ...once(id) },
        body: { word_id: id, subject: props.subject, word: 'said', words: text.trim() },
      }),
    ),
  )
  if (!said) return
  open.value = false
  await forget(props.lifterId)
}
</script>

<template>
  <form v-if="open" class="own no-print" @submit.prevent="keep(words)">
    <textarea
      ref="field"
      v-model="words"
      :aria-label="say('watch.own_words', { name })"
      rows="2"
      maxlength="400"
      @keydown.esc.stop="open = false"
    />
    <span class="acts">
      <button type="submit" class="key" :disabled="busy">{{ say('watch.keep') }}</button>
      <button type="button" class="linkish small" @click="open = false">{{ say('watch.cancel') }}</button>
    </span>
    <span v-if="message" class="signal small" role="alert">{{ message }}</span>
  </form>
  <template v-else>
    <span v-if="said" class="said">{{ said }}</span>
    <slot v-else />
    <span v-if="mayWrite" class="no-print again">
      <button
        type="button"
        class="pen soft"
        :title="said ? say('watch.change_your_words') : say('watch.say_it_in_your_own_words')"
        :aria-label="say('watch.say_it_yourself', { name })"
        @click="begin"
      >
        ✎
      </button>
      <button v-if="said" type="button" class="linkish small soft" :disabled="busy" @click="keep('')">
        {{ say('watch.back_to_what_was_measured') }}
      </button>
    </span>
  </template>
</template>

<style scoped>
.own {
  display: grid;
  gap: 4px;
  min-width: 210px;
}
textarea {
  font: inherit;
  color: inherit;
  background: var(--sheet);
  border: 1px solid var(--line);
  border-radius: 3px;
  padding: 6px 8px;
  width: 100%;
}
.acts,
.again {
  display: inline-flex;
  gap: 10px;
  align-items: center;
}
.again {
  margin-left: 4px;
}
.pen {
  font: inherit;
  background: none;
  border: 0;
  min-width: 28px;
  min-height: 28px;
  cursor: pointer;
}
.said {
  font-weight: 600;
}
</style>
