import { ref } from 'vue'
import { answer, api, newId, type Contact, type Message } from '@/shared/api/client'

/** A card while it is filled in, and where in a message each field was found. */
export interface Carding {
  card: Contact
  isNew: boolean
  places: Record<string, string>
}

/** The card that is being filled in, in a dialog of its own; null when none is. */
export const carding = ref<Carding | null>(null)

const empty = (): Contact => ({
  id: newId(),
  name: '',
  email: '',
  phones: [],
  position: '',
  firm: '',
  address: '',
  note: '',
})

export function editCard(card?: Contact | null, email = ''): void {
  carding.value = {
    card: card ? { ...card, phones: [...card.phones] } : { ...empty(), email },
    isNew: !card,
    places: {},
  }
}

/** What a message says of who wrote it; what is kept already stays, and what is missing is filled in. */
export async function proposeCard(message: Message): Promise<void> {
  const { contact, proposed } = await answer(
    api.GET('/messages/{id}/contact', { params: { path: { id: message.id } } }),
  )
  const card = contact ? { ...contact, phones: [...contact.phones] } : empty()
  const places: Record<string, string> = {}
  const letters = [...message.text]
  for (const { field, value, from, to } of proposed) {
    const start = letters.slice(0, Math.max(0, from)).lastIndexOf('\n') + 1
    const end = letters.indexOf('\n', Math.max(0, to - 1))
    const place =
      from < 0
        ? 'the head of the message'
        : `“${letters
            .slice(start, end < 0 ? undefined : end)
            .join('')
            .trim()}”`
    if (field === 'phone') {
      if (card.phones.includes(value)) continue
      card.phones.push(value)
      places.phones = [places.phones, place].filter(Boolean).join(', ')
    } else if (!card[field]) {
      card[field] = value
      places[field] = place
    }
  }
  carding.value = { card, isNew: !contact, places }
}
