<script lang="ts">
  import { text } from '$lib/words/en/screens';

  import type { StageState } from '$lib/core/rules';

  let { id, stage, states }: { id: string; stage: string; states: Record<string, StageState> } = $props();
  const open = (key: string) => states[key]?.open ?? 0;
  const done = (key: string) => open(key) === 0 && states[key]?.checked === true;
  const stages = Object.entries(text.stages);
  let rail: HTMLElement;
  // On a narrow screen the rail is one line that scrolls: the stage that is open stays in sight.
  $effect(() => {
    const here = rail.querySelector<HTMLElement>(`[href$='/${stage}']`);
    if (here && rail.scrollWidth > rail.clientWidth)
      rail.scrollLeft = here.offsetLeft - rail.clientWidth / 2 + here.offsetWidth / 2;
  });
</script>

<!-- The stages as a pin header: a cap sits over the pins of a stage that was checked and has nothing open. -->
<nav
  class="rail no-print border-r-2 border-r-ink min-w-0 max-lg:border-r-0 max-lg:border-b-2 max-lg:border-b-ink max-lg:sticky max-lg:top-0 max-lg:z-5 max-lg:bg-paper"
  aria-label={text.stagesLabel}
>
  <div
    class="stay py-4 sticky top-0 max-h-screen pr-0 pl-3.5 overflow-y-auto max-lg:py-1.5 max-lg:px-2.5 max-lg:gap-3.25 max-lg:flex max-lg:items-center max-lg:relative max-lg:overflow-x-auto"
    bind:this={rail}
  >
    <a
      class="text-ink block mb-3.5 font-semibold underline underline-offset-[3px] max-lg:m-0 max-sm:hidden"
      href="/">{text.places['/']}</a
    >
    <ul class="max-lg:flex">
      {#each stages as [key, label] (key)}
        <li>
          <a
            class="text-ink flex items-stretch h-[46px] no-underline"
            href="/builds/{id}/{key}"
            aria-current={stage === key ? 'page' : undefined}
          >
            <span
              class="pins flex items-center justify-evenly w-[52px] bg-header max-lg:w-[34px] max-sm:w-[26px]"
              aria-hidden="true"
            >
              {#if done(key)}<span
                  class="border border-sheet w-[44px] h-[27px] bg-yellow max-lg:w-[28px] max-lg:h-[20px] max-sm:w-[22px] max-sm:h-[16px]"
                ></span>{:else}<span class="w-[13px] h-[13px] bg-pin max-lg:w-[9px] max-lg:h-[9px]"
                ></span><span class="w-[13px] h-[13px] bg-pin max-lg:w-[9px] max-lg:h-[9px]"></span>{/if}
            </span>
            <span
              class="name py-[7px] px-[8px] flex-1 min-w-0 self-center ml-[6px] text-large font-[550] max-lg:py-[5px] max-lg:pr-[8px] max-lg:pl-[4px] max-sm:pr-[5px]"
              >{label}</span
            >
            {#if open(key)}<span
                class="count self-center w-4 -ml-6 mr-2 text-center font-[750] text-stop max-lg:my-0 max-lg:w-auto max-lg:mr-2.5 max-lg:-ml-0.75"
                aria-label={text.openCount(open(key))}>{open(key)}</span
              >{:else if states[key]}<span class="sr-only">{done(key) ? text.checked : text.unchecked}</span
              >{/if}
          </a>
        </li>
      {/each}
    </ul>
  </div>
</nav>

<style>
  [aria-current='page'] .name {
    background: var(--sheet);
    border: 2px solid var(--ink);
    border-right: 0;
    font-weight: 750;
  }

  @media (width < 64rem) {
    [aria-current='page'] .name {
      border: 0;
      border-bottom: 3px solid var(--ink);
    }
  }
</style>
