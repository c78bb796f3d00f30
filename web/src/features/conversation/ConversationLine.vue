<script setup lang="ts">
import { mdiPaperclip } from '@mdi/js'
import type { ConversationRow } from '@/shared/api/client'
import { age } from '@/shared/time/format'
import { counted, subjectOf } from '@/shared/words'
import { ImportanceMark } from '@/features/importance'
import LabelWord from '@/ui/LabelWord.vue'
import ListWord from '@/ui/ListWord.vue'
import { TickBox } from '@/ui/kit'

withDefaults(
  defineProps<{
    row: ConversationRow
    selected?: boolean
    current?: boolean
    selectable?: boolean
    note?: string
    /** What is advised, in a word */
    advice?: string | undefined
    /** What is to be done: it leads the row */
    action?: string | undefined
    /** The sentence that asks, instead of the beginning of the text */
    quote?: string | undefined
    /** How much it matters, where that is shown */
    importance?: number | undefined
    /** Why it matters as much, instead of the beginning of the text */
    because?: string | undefined
  }>(),
  { selectable: true },
)
defineEmits<{ select: [event: MouseEvent] }>()
</script>

<template>
  <li
    class="line"
    :class="{
      selected,
      current,
      unread: row.unread,
      advised: advice !== undefined,
      weighed: importance !== undefined,
    }"
  >
    <TickBox
      v-if="selectable"
      :model-value="selected"
      :aria-label="`Select ${subjectOf(row)}`"
      tabindex="-1"
      @click="$emit('select', $event)"
    />
    <router-link
      class="plain body"
      :to="{ name: 'conversation', params: { id: row.id } }"
      :data-conversation="row.id"
    >
      <ImportanceMark v-if="importance !== undefined" class="weight" :importance="importance" />
      <span class="who"
        >{{ row.who
        }}<i v-if="row.messages > 1" class="slate" :title="counted(row.messages, 'message')">
          {{ row.messages }}</i
        ></span
      >
      <span class="what">
        <span v-if="row.mailbox" class="box slate" :title="`Came into ${row.mailbox}`">{{
          row.mailbox
        }}</span>
        <ListWord v-for="one in row.lists" :key="one.id" class="borne" :list="one" />
        <LabelWord v-for="one in row.labels" :key="one.id" class="borne" :label="one" />
        <template v-if="action"
          ><b>{{ action }}</b> · {{ subjectOf(row) }}</template
        >
        <b v-else>{{ subjectOf(row) }}</b>
        <template v-if="note">
          · <em>{{ note }}</em></template
        >
        <template v-if="$slots.text"> · <slot name="text" /></template>
        <template v-else-if="because"> · {{ because }}</template>
        <template v-else-if="quote"> · “{{ quote }}”</template>
        <template v-else-if="row.excerpt"> · {{ row.excerpt }}</template>
      </span>
      <span class="clip">
        <v-icon
          v-if="row.attachments"
          :icon="mdiPaperclip"
          size="15"
          :aria-label="counted(row.attachments, 'attachment')"
          role="img"
        />
      </span>
      <span class="age">{{ age(row.latestAt) }}</span>
      <span v-if="advice !== undefined" class="advice">{{ advice }}</span>
    </router-link>
    <span class="end"><slot /></span>
  </li>
</template>

<style scoped>
.line {
  display: flex;
  align-items: center;
  height: 32px;
  padding-left: 14px;
  gap: 14px;
  font-size: var(--type-text);
}

.line.selected {
  background: var(--v-sea-soft);
}

.line.current {
  box-shadow: inset 3px 0 rgb(var(--v-theme-primary));
}

input {
  cursor: pointer;
}

.body {
  flex: 1;
  min-width: 0;
  display: grid;
  grid-template-columns: 186px minmax(0, 1fr) 18px 56px;
  gap: 12px;
  align-items: center;
  line-height: 31px;
  margin-left: -6px;
  padding-left: 6px;
}

.advised .body {
  grid-template-columns: 186px minmax(0, 1fr) 18px 48px 88px;
}

.weighed .body {
  grid-template-columns: 26px 148px minmax(0, 1fr) 18px 48px 88px;
}

.advice {
  color: rgb(var(--v-theme-primary));
  font-size: var(--type-note);
  white-space: nowrap;
}

.body:focus-visible {
  outline-offset: -2px;
}

.who,
.what {
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}

.who {
  font-weight: 550;
}

.who i {
  margin-left: 7px;
  font-style: normal;
  font-size: var(--type-small);
}

.what {
  color: var(--v-slate);
}

.box {
  margin-right: 8px;
  font-size: var(--type-note);
}

.borne {
  margin-right: 8px;
  line-height: 20px;
  vertical-align: -5px;
}

.what b {
  color: rgb(var(--v-theme-on-surface));
  font-weight: 500;
}

.what em {
  font-style: normal;
  color: rgb(var(--v-theme-warning));
}

.unread .who,
.unread .what b {
  font-weight: 700;
}

.clip {
  color: var(--v-slate);
  line-height: 1;
}

.age {
  color: var(--v-slate);
  font-size: var(--type-note);
  text-align: right;
  font-variant-numeric: tabular-nums;
}

.end {
  display: flex;
  align-items: center;
  gap: 10px;
  justify-content: flex-end;
}

.end:empty {
  width: 2px;
}

.advised .end,
.advised .end:empty {
  width: 104px;
}

@media (max-width: 760px) {
  .advised .body {
    grid-template-columns: minmax(0, 1fr) auto auto auto;
    grid-template-areas: 'who clip advice age' 'what what what what';
  }

  .weight {
    display: none;
  }

  .advised .advice {
    grid-area: advice;
  }

  .advised .end,
  .advised .end:empty {
    width: auto;
  }

  .line {
    height: auto;
    padding-left: 10px;
    gap: 10px;
  }

  .body {
    grid-template-columns: minmax(0, 1fr) auto auto;
    grid-template-areas: 'who clip age' 'what what what';
    gap: 0 8px;
    padding: 8px 10px 8px 0;
    line-height: 1.35;
  }

  .who {
    grid-area: who;
  }

  .what {
    grid-area: what;
  }
}
</style>
