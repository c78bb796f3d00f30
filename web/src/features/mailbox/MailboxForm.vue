<script setup lang="ts">
import { reactive, ref, watch } from 'vue'
import { answer, api, type FolderRole, type Mailbox, type MailServer } from '@/shared/api/client'
import { Problem } from '@/shared/api/problem'
import { tell } from '@/shared/notice'
import { useTyped } from '@/shared/typing/kept'
import { counted } from '@/shared/words'
import { ChoiceList, LongText, TextInput, TickBox } from '@/ui/kit'
import FolderChoice from './FolderChoice.vue'
import { OWN, phraseOf, ROLES, SECURITY, USUAL } from './mailboxes'
import PartChoice from './PartChoice.vue'

/** Where a mailbox is, and who signs in there: tried first, then connected. */
const props = defineProps<{
  /** The one that is changed; none: a new one */
  mailbox?: Mailbox
  /** Proposed for a new one */
  address: string
}>()
const emit = defineEmits<{ connected: [mailboxes: Mailbox[]]; close: [] }>()

const none = (): MailServer => ({ host: '', port: 993, security: 'tls' })
const known = props.mailbox
const fields = reactive({
  address: known?.address ?? props.address,
  user: known && known.user !== known.address ? known.user : '',
  imap: { ...(known?.imap ?? none()) },
  smtp: { ...(known ? (known.smtp ?? { ...none(), port: 465 }) : { ...none(), port: 465 }) },
  authority: '',
  aliases: known?.aliases.join(', ') ?? '',
  hasAway: known?.hasAway ?? true,
  part: phraseOf(USUAL),
  ownPart: '',
  folders: {} as Record<string, { role: FolderRole; takenIn: boolean }>,
})
const { accept } = useTyped(`mailbox ${known?.address ?? 'new'}`, fields)
/** A password is not kept in the browser. */
const password = ref('')
const wrong = ref<Record<string, string>>({})
const busy = ref<'' | 'find' | 'try' | 'read' | 'connect'>('')
const isSaid = ref<boolean>()
const proposed = ref('')
const found = ref<Awaited<ReturnType<typeof trial>>>()
const isOpen = ref(known !== undefined)

const body = () => ({
  address: fields.address,
  user: fields.user,
  imap: fields.imap,
  smtp: fields.smtp.host ? fields.smtp : null,
  password: password.value,
  authority: fields.authority,
  aliases: fields.aliases.split(/[\s,;]+/).filter(Boolean),
  hasAway: fields.hasAway,
  part: fields.part === OWN ? fields.ownPart : fields.part,
  folders: Object.entries(fields.folders).map(([name, chosen]) => ({ name, ...chosen })),
})
const trial = () => answer(api.POST('/mailboxes/trials', { body: body() }))
/** What was found holds for these; what becomes of it is chosen afterwards. */
watch(
  () =>
    JSON.stringify([fields.address, fields.user, fields.imap, fields.smtp, fields.authority, password.value]),
  () => (found.value = undefined),
)

async function run(what: typeof busy.value, work: () => Promise<void>): Promise<void> {
  if (busy.value) return
  wrong.value = {}
  busy.value = what
  try {
    await work()
  } catch (problem) {
    if (problem instanceof Problem && problem.status === 422) {
      wrong.value = { all: problem.message, ...problem.fields }
      // What is wrong with a server stands at its fields.
      isOpen.value ||= Object.keys(problem.fields).some((field) => /^(imap|smtp|user|authority)/.test(field))
    } else tell(problem)
  } finally {
    busy.value = ''
  }
}

const propose = () =>
  run('find', async () => {
    if (!fields.address || fields.imap.host) return
    const servers = await answer(api.POST('/mailboxes/proposals', { body: { address: fields.address } }))
    Object.assign(fields, { imap: { ...servers.imap }, smtp: { ...servers.smtp } })
    isSaid.value = servers.isSaid
    proposed.value = servers.imap.host
  })
async function tryIt(): Promise<void> {
  await propose()
  await run('try', async () => {
    const now = await trial()
    found.value = now
  })
}
/** What the words of one's own mean, and how much that is. */
const part = ref('')
const readPart = () =>
  run('read', async () => {
    part.value = ''
    const { text, messages } = await answer(api.POST('/mailboxes/parts', { body: body() }))
    part.value = messages === null ? 'all of it' : `${messages.toLocaleString('en')} since ${text}`
  })
const connect = () =>
  run('connect', async () => {
    const { mailboxes } = await answer(api.PUT('/mailboxes', { body: body() }))
    accept()
    emit('connected', mailboxes)
  })
const at = (...names: string[]) =>
  names
    .map((name) => wrong.value[name])
    .filter(Boolean)
    .join(' ')
</script>

<template>
  <form
    novalidate
    class="mailbox"
    @submit.prevent="found || known ? connect() : tryIt()"
    @keydown.esc.stop="emit('close')"
  >
    <label
      >Address
      <TextInput
        v-model="fields.address"
        v-first
        type="email"
        autocomplete="email"
        :readonly="known !== undefined"
        @change="propose"
      />
    </label>
    <label
      >Password
      <TextInput
        v-model="password"
        type="password"
        autocomplete="off"
        :placeholder="known ? 'as it is' : ''"
      />
    </label>
    <p v-if="at('address', 'password')" class="wrong" role="alert">{{ at('address', 'password') }}</p>
    <p v-if="fields.imap.host && !isOpen" class="slate">
      At {{ fields.imap.host
      }}{{ isSaid === false && fields.imap.host === proposed ? ', as such servers are usually called' : '' }}.
    </p>
    <details :open="isOpen" @toggle="isOpen = ($event.target as HTMLDetailsElement).open">
      <summary>Where it is</summary>
      <fieldset v-for="(name, which) in { imap: 'It is kept at', smtp: 'Its mail goes out by' }" :key="which">
        <legend class="slate">{{ name }}</legend>
        <div class="server">
          <label>Server <TextInput v-model="fields[which].host" spellcheck="false" /></label>
          <label
            >Port <TextInput v-model.number="fields[which].port" type="number" min="1" max="65535"
          /></label>
          <label>
            Encryption
            <ChoiceList v-model="fields[which].security">
              <option v-for="(text, value) in SECURITY" :key="value" :value="value">{{ text }}</option>
            </ChoiceList>
          </label>
        </div>
        <p v-if="at(`${which}Host`, `${which}Port`, `${which}Security`)" class="wrong" role="alert">
          {{ at(`${which}Host`, `${which}Port`, `${which}Security`) }}
        </p>
      </fieldset>
      <label
        >Signs in as <TextInput v-model="fields.user" :placeholder="fields.address" spellcheck="false"
      /></label>
      <p v-if="wrong.user" class="wrong" role="alert">{{ wrong.user }}</p>
      <label
        >Other addresses of it
        <TextInput v-model="fields.aliases" placeholder="none" spellcheck="false" />
      </label>
      <p v-if="at('aliases')" class="wrong" role="alert">{{ at('aliases') }}</p>
      <label class="tall"
        >Certificates of an authority of your own
        <LongText
          v-model="fields.authority"
          rows="2"
          placeholder="-----BEGIN CERTIFICATE-----"
          spellcheck="false"
        />
      </label>
      <p v-if="wrong.authority" class="wrong" role="alert">{{ wrong.authority }}</p>
    </details>
    <p v-if="wrong.all && !Object.values(wrong).slice(1).length" class="wrong" role="alert">
      {{ wrong.all }}
    </p>
    <div v-if="found" class="found" role="status">
      <p>
        <b>It is there:</b> {{ counted(found.messages, 'message') }},
        {{ found.inbox.toLocaleString('en') }} of them in the inbox.
      </p>
      <p v-if="found.missing.length" class="slate">
        For {{ found.missing.map((role) => (ROLES[role] ?? role).toLowerCase()).join(', ') }} there is no
        folder: one is made when it is needed.
      </p>
      <p v-if="found.sends" class="odd">Nothing can be sent by it: {{ found.sends }}</p>
    </div>
    <PartChoice
      v-if="!known && found && found.inbox"
      v-model:choice="fields.part"
      v-model:own="fields.ownPart"
      :inbox="found.inbox"
      :ages="found.ages"
      :wrong="wrong.part ?? ''"
      :read="part"
      @read="readPart"
    />
    <FolderChoice
      v-if="known || found"
      v-model="fields.folders"
      :folders="found?.folders ?? known?.folders ?? []"
    />
    <p v-if="wrong.folders" class="wrong" role="alert">{{ wrong.folders }}</p>
    <label v-if="known || found"
      ><TickBox v-model="fields.hasAway" /> What is snoozed or handed over lies in a folder “Away” there;
      otherwise in the archive</label
    >
    <p class="acts">
      <v-btn v-if="found || known" type="submit" color="primary" size="small" :loading="busy === 'connect'">
        {{ known ? 'Keep' : 'Connect' }}
      </v-btn>
      <v-btn
        :type="found || known ? 'button' : 'submit'"
        variant="outlined"
        size="small"
        :loading="busy === 'try' || busy === 'find'"
        @click="(found || known) && tryIt()"
        >Try it</v-btn
      >
      <v-btn variant="text" size="small" @click="emit('close')">Close</v-btn>
    </p>
  </form>
</template>

<style scoped src="@/ui/part.css"></style>
<style scoped src="./mailboxes.css"></style>
