<script setup lang="ts">
import { computed, ref } from 'vue'
import type { Settings } from '@/shared/api/client'
import { Problem } from '@/shared/api/problem'
import { useSession, useSignIn } from '@/shared/api/session'
import { tell } from '@/shared/notice'
import { ChoiceList, TextInput, TickBox } from '@/ui/kit'

/** How tasks are made and completed, and how early they remind. */
const { account } = useSession()
const { saveSettings } = useSignIn()
const settings = computed(() => account.value?.settings)
const wrong = ref<Record<string, string>>({})

async function change(more: Partial<Settings>): Promise<void> {
  if (!settings.value) return
  wrong.value = {}
  try {
    await saveSettings({ ...settings.value, ...more })
  } catch (problem) {
    if (problem instanceof Problem && problem.status === 422) wrong.value = problem.fields
    else tell(problem)
  }
}
const chosen = (event: Event) => Number((event.target as HTMLSelectElement).value)
const written = (event: Event) => (event.target as HTMLInputElement).value.trim()
</script>

<template>
  <section v-if="settings" class="sheet part">
    <h2>Tasks</h2>
    <label>
      <TickBox
        :model-value="settings.completeSubtasks"
        @change="change({ completeSubtasks: !settings.completeSubtasks })"
      />
      Complete open subtasks with their task, without asking
    </label>
    <label class="row">
      <span class="slate">A task made of a message that names no day is due</span>
      <TextInput
        class="time"
        size="22"
        placeholder="at no set time"
        :model-value="settings.taskDue"
        aria-label="Usual due"
        @change="change({ taskDue: written($event) })"
      />
    </label>
    <p v-if="wrong.taskDue" class="wrong" role="alert">{{ wrong.taskDue }}</p>
    <label class="row">
      <span class="slate">and reminds</span>
      <TextInput
        class="time"
        size="22"
        placeholder="as others do"
        :model-value="settings.taskReminder"
        aria-label="Usual reminder"
        @change="change({ taskReminder: written($event) })"
      />
      <span class="slate">in your own words: “in 3 working days”, “the morning before”</span>
    </label>
    <p v-if="wrong.taskReminder" class="wrong" role="alert">{{ wrong.taskReminder }}</p>
    <label class="row">
      <span class="slate">Others remind first</span>
      <ChoiceList
        :model-value="settings.reminderPercent"
        @change="change({ reminderPercent: chosen($event) })"
      >
        <option :value="0">not by themselves</option>
        <option :value="5">at a twentieth of the time left</option>
        <option :value="10">at a tenth of the time left</option>
        <option :value="20">at a fifth of the time left</option>
        <option :value="33">at a third of the time left</option>
      </ChoiceList>
    </label>
    <label v-if="settings.reminderPercent" class="row">
      <span class="slate">but at most</span>
      <ChoiceList :model-value="settings.reminderDays" @change="change({ reminderDays: chosen($event) })">
        <option v-for="days in [1, 2, 3, 5, 10, 20]" :key="days" :value="days">
          {{ days }} working {{ days === 1 ? 'day' : 'days' }} before
        </option>
      </ChoiceList>
    </label>
  </section>
</template>

<style scoped src="@/ui/part.css"></style>
