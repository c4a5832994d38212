<script setup lang="ts">
// Who is in the club, with which role; one's own account; what was done.
import { say, sayMany } from '@/words'
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { computed } from 'vue'
import StageHead from '@/shared/StageHead.vue'
import Waiting from '@/shared/Waiting.vue'
import { answered, client } from '@/shared/api'
import { peopleQuery } from '@/shared/queries'
import { useSession } from '@/shared/session'
import Deeds from './Deeds.vue'
import Invite from './Invite.vue'
import OwnAccount from './OwnAccount.vue'
import PersonRow from './PersonRow.vue'
import WholeClub from './WholeClub.vue'

const { session } = useSession()
const queries = useQueryClient()
const people = useQuery(peopleQuery)
const here = computed(() => (people.data.value?.people ?? []).filter((p) => !p.left_at))
const gone = computed(() => (people.data.value?.people ?? []).filter((p) => p.left_at))
const answer = computed(() => {
  const owners = here.value.filter((p) => p.role === 'owner').length
  if (!here.value.length) return say('people.people_of_the_club')
  return `${sayMany('people.how_many', here.value.length)}, ${sayMany('people.owners', owners)}`
})
const again = () => queries.invalidateQueries({ queryKey: ['people'] })
const account = useQuery({
  queryKey: ['people', 'account'],
  queryFn: () => answered(client.GET('/api/session/account')),
})
</script>

<template>
  <main>
    <StageHead :over="session?.club ?? ''" :answer="answer" />
    <Waiting
      v-if="!people.data.value"
      :what="say('people.the_people')"
      :error="people.error.value"
      @again="people.refetch()"
    />
    <div v-else class="halves">
      <div>
        <section>
          <h2>{{ say('people.in_the_club') }}</h2>
          <ul class="people">
            <PersonRow
              v-for="p in here"
              :key="p.coach_id"
              :person="p"
              :may-manage="people.data.value.may_manage"
              @changed="again"
            />
          </ul>
          <p v-if="!people.data.value.may_manage" class="small soft">
            {{ say('people.owners_invite_change_roles_and_take') }}
          </p>
        </section>
        <Invite
          v-if="people.data.value.may_manage"
          :links="people.data.value.links"
          :by-mail="people.data.value.by_mail"
          @changed="again"
        />
        <section v-if="gone.length" class="mt-6">
          <h2>
            {{ say('people.left') }} <small>{{ say('people.what_they_recorded_stays_under_their') }}</small>
          </h2>
          <p v-for="p in gone" :key="p.coach_id" class="small soft">{{ p.name }}, {{ p.email }}</p>
        </section>
      </div>
      <div>
        <OwnAccount v-if="account.data.value" :account="account.data.value" @changed="again" />
        <template v-if="people.data.value.may_manage">
          <WholeClub :club="session?.club ?? ''" :is-demo="session?.is_demo ?? false" />
          <Deeds />
        </template>
      </div>
    </div>
  </main>
</template>

<style scoped>
.people {
  list-style: none;
  padding: 0;
  margin: 8px 0;
}
</style>
