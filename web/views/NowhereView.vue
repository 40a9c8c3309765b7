<template>
  <h1>Nothing at this address</h1>
  <p class="text">
    The dog or recipe may have been deleted.
    <RouterLink class="link" to="/dogs">To the dogs</RouterLink>
  </p>
</template>

<style scoped>
.text {
  margin-top: 12px;
}
</style>
