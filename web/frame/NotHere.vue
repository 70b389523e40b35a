<template>
  <h1>There is nothing at this address</h1>
  <p class="mt-2">
    It may have been merged or removed. <RouterLink class="link" to="/orders">Go to the orders</RouterLink>.
  </p>
</template>
