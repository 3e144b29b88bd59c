<script lang="ts">
  // The mark: a cap over two pins, one pin free.
</script>

<svg viewBox="0 0 40 32" width="40" height="32" aria-hidden="true">
  <rect x="2" y="4" width="24" height="14" fill="var(--yellow)" stroke="var(--ink)" stroke-width="2.5" />
  <rect x="6" y="19" width="4" height="9" fill="var(--ink)" />
  <rect x="18" y="19" width="4" height="9" fill="var(--ink)" />
  <rect x="31" y="13" width="4" height="15" fill="var(--ink)" />
</svg>
