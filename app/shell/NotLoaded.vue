<template>
  <p class="muted small" role="alert">
    This part of Elvant did not load. Is the server still running? Go to another stage and back to
    try again.
  </p>
</template>
