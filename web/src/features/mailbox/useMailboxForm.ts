import { computed, reactive, ref, watch } from 'vue'
import { answer, api, type FolderRole, type Mailbox, type MailServer } from '@/shared/api/client'
import { Problem } from '@/shared/api/problem'
import { tell } from '@/shared/notice'
import { useTyped } from '@/shared/typing/kept'
import { OWN, phraseOf, USUAL } from './mailboxes'

const none = (port: number): MailServer => ({ host: '', port, security: 'tls' })

/**
 * What is entered of a mailbox, tried and connected.
 *
 * @param known the one that is changed; none: a new one
 * @param address proposed for a new one
 * @param signedInAt the provider at whom the person has just signed in
 */
export function useMailboxForm(known: Mailbox | undefined, address: string, signedInAt?: string) {
  const fields = reactive({
    address: known?.address ?? address,
    user: known && known.user !== known.address ? known.user : '',
    imap: { ...(known?.imap ?? none(993)) },
    smtp: { ...(known?.smtp ?? none(465)) },
    authority: '',
    /** Certificates that are there already are kept unless others are pasted, or these taken away. */
    hasAuthority: known?.authority ?? false,
    aliases: known?.aliases.join(', ') ?? '',
    hasAway: known?.hasAway ?? true,
    keepsSent: known?.keepsSent ?? null,
    part: phraseOf(USUAL),
    ownPart: '',
    folders: {} as Record<string, { role: FolderRole; takenIn: boolean }>,
  })
  const { accept } = useTyped(`mailbox ${known?.address ?? 'new'}`, fields)
  /** A password is not kept in the browser. */
  const password = ref('')
  const provider = ref(signedInAt ?? known?.provider ?? '')
  const signedIn = ref(signedInAt ?? known?.provider ?? '')
  const byPassword = ref(false)
  const wrong = ref<Record<string, string>>({})
  const busy = ref<'' | 'sign in' | 'try' | 'make' | 'read' | 'connect'>('')
  const isSaid = ref<boolean>()
  /** The host that was proposed: another one has been entered by hand, and stays. */
  const proposed = ref('')
  const found = ref<Awaited<ReturnType<typeof trial>>>()
  const isOpen = ref(known !== undefined)

  const body = () => ({
    address: fields.address,
    user: fields.user,
    imap: fields.imap,
    smtp: fields.smtp.host ? fields.smtp : null,
    password: password.value,
    // What is kept of a mailbox already needs no word of it.
    signedIn: !!signedInAt && !byPassword.value,
    authority: fields.authority || (fields.hasAuthority ? null : ''),
    aliases: fields.aliases.split(/[\s,;]+/).filter(Boolean),
    hasAway: fields.hasAway,
    keepsSent: fields.keepsSent,
    part: fields.part === OWN ? fields.ownPart : fields.part,
    folders: Object.entries(fields.folders).map(([name, chosen]) => ({ name, ...chosen })),
  })
  const trial = () => answer(api.POST('/mailboxes/trials', { body: body() }))
  /** What was found holds for these; what becomes of it is chosen afterwards. */
  watch(
    () =>
      JSON.stringify([
        fields.address,
        fields.user,
        fields.imap,
        fields.smtp,
        fields.authority,
        fields.hasAuthority,
        password.value,
      ]),
    () => (found.value = undefined),
  )

  async function run<T>(what: typeof busy.value, work: () => Promise<T>): Promise<T | undefined> {
    if (busy.value) return undefined
    wrong.value = {}
    busy.value = what
    try {
      return await work()
    } catch (problem) {
      refused(problem)
      return undefined
    } finally {
      busy.value = ''
    }
  }
  function refused(problem: unknown): void {
    if (!(problem instanceof Problem && problem.status === 422)) return void tell(problem)
    wrong.value = { all: problem.message, ...problem.fields }
    // What is wrong with a server stands at its fields.
    isOpen.value ||= Object.keys(problem.fields).some((field) => /^(imap|smtp|user|authority)/.test(field))
  }

  /** The last address for which servers were asked, and when the answer is there. */
  let asked: { address: string; done: Promise<void> } | undefined
  const isFinding = ref(false)
  /** Of what was entered by hand nothing is changed. Of two that are under way the later one counts. */
  function propose(): Promise<void> {
    const { address } = fields
    if (!address || asked?.address === address) return asked?.done ?? Promise.resolve()
    const done = find(address).then(() => {
      if (asked?.done === done) isFinding.value = false
    })
    asked = { address, done }
    isFinding.value = true
    wrong.value = {}
    return done
  }
  async function find(address: string): Promise<void> {
    const isLast = () => asked?.address === address
    try {
      const servers = await answer(api.POST('/mailboxes/proposals', { body: { address } }))
      if (!isLast()) return
      if (!signedIn.value) provider.value = servers.provider ?? ''
      if (fields.imap.host && fields.imap.host !== proposed.value) return
      Object.assign(fields, { imap: { ...servers.imap }, smtp: { ...servers.smtp } })
      isSaid.value = servers.isSaid
      proposed.value = servers.imap.host
    } catch (problem) {
      if (!isLast()) return
      asked = undefined
      isFinding.value = false
      refused(problem)
    }
  }
  if (!known && fields.address) void propose()
  /** Leaves this page for that of the provider; what was entered is kept until then. */
  const signIn = () =>
    run('sign in', async () => {
      const { url } = await answer(api.POST('/mailboxes/sign-ins', { body: { address: fields.address } }))
      window.location.assign(url)
    })
  async function tryIt(): Promise<void> {
    await propose()
    await run('try', async () => {
      const now = await trial()
      found.value = now
    })
  }
  const makeFolders = () =>
    run('make', async () => {
      found.value = await answer(api.POST('/mailboxes/folders', { body: body() }))
    })
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
      return mailboxes
    })
  const at = (...names: string[]) =>
    names
      .map((name) => wrong.value[name])
      .filter(Boolean)
      .join(' ')
  const isGuessed = computed(() => isSaid.value === false && fields.imap.host === proposed.value)

  return {
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
    propose,
    signIn,
    tryIt,
    makeFolders,
    readPart,
    connect,
  }
}
