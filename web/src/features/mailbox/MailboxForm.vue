<script setup lang="ts">
import type { Mailbox } from '@/shared/api/client'
import { counted } from '@/shared/words'
import { ChoiceList, LinkButton, LongText, TextInput, TickBox } from '@/ui/kit'
import FolderChoice from './FolderChoice.vue'
import { foundOut, KEEPERS, ROLES, SECURITY } from './mailboxes'
import PartChoice from './PartChoice.vue'
import { useMailboxForm } from './useMailboxForm'

/** Where a mailbox is, and who signs in there: tried first, then connected. */
const props = defineProps<{
  /** The one that is changed; none: a new one */
  mailbox?: Mailbox
  /** Proposed for a new one */
  address: string
  /** At whom the person has just signed in */
  signedInAt?: string
}>()
const emit = defineEmits<{ connected: [mailboxes: Mailbox[]]; close: [] }>()

const known = props.mailbox
const form = useMailboxForm(known, props.address, props.signedInAt)
const {
  fields,
  password,
  provider,
  signedIn,
  byPassword,
  found,
  isOpen,
  isGuessed,
  part,
  busy,
  isFinding,
  wrong,
  at,
} = form
async function connect(): Promise<void> {
  const mailboxes = await form.connect()
  if (mailboxes) emit('connected', mailboxes)
}
</script>

<template>
  <form
    novalidate
    class="mailbox"
    @submit.prevent="found || known ? connect() : form.tryIt()"
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
        @change="form.propose"
      />
    </label>
    <p v-if="provider && !byPassword" class="by">
      <span>{{
        signedIn ? `You have signed in at ${signedIn}.` : `${provider} asks you for your password itself.`
      }}</span>
      <v-btn
        size="small"
        :variant="signedIn ? 'text' : 'outlined'"
        :loading="busy === 'sign in'"
        @click="form.signIn"
        >{{ signedIn ? 'Sign in anew' : `Sign in at ${provider}` }}</v-btn
      >
      <LinkButton v-if="!signedIn" @click="byPassword = true">Use a password</LinkButton>
    </p>
    <label v-else
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
      At {{ fields.imap.host }}{{ isGuessed ? ', as such servers are usually called' : '' }}.
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
        <span v-if="fields.hasAuthority && !fields.authority"
          >They are known here.
          <LinkButton @click="fields.hasAuthority = false">Take them away</LinkButton></span
        >
        <LongText
          v-else
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
        <LinkButton @click="form.makeFolders"
          >Make {{ found.missing.length > 1 ? 'them' : 'it' }} now</LinkButton
        >
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
      @read="form.readPart"
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
    <label v-if="known || found"
      >What you have sent is
      <span>
        <ChoiceList v-model="fields.keepsSent">
          <option v-for="{ keeps, text } in KEEPERS" :key="text" :value="keeps">{{ text }}</option>
        </ChoiceList>
        <span v-if="foundOut(known)" class="slate"> {{ foundOut(known) }}</span>
      </span>
    </label>
    <p class="acts">
      <v-btn v-if="found || known" type="submit" color="primary" size="small" :loading="busy === 'connect'">
        {{ known ? 'Keep' : 'Connect' }}
      </v-btn>
      <v-btn
        :type="found || known ? 'button' : 'submit'"
        variant="outlined"
        size="small"
        :loading="busy === 'try' || isFinding"
        @click="(found || known) && form.tryIt()"
        >Try it</v-btn
      >
      <v-btn variant="text" size="small" @click="emit('close')">Close</v-btn>
    </p>
  </form>
</template>

<style scoped src="@/ui/part.css"></style>
<style scoped src="./mailboxes.css"></style>
