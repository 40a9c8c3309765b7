<template>
  <button type="button" class="ui-tap"><slot /></button>
</template>
