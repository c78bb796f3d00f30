<script setup lang="ts">
import { useHeartbeat } from '@/api/heartbeat'

/** There as long as somebody is signed in. */
useHeartbeat()
</script>

<template><span hidden /></template>
