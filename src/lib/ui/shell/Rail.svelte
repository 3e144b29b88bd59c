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
<nav class="rail no-print" aria-label={text.stagesLabel}>
  <div class="stay" bind:this={rail}>
    <a class="home" href="/">{text.places['/']}</a>
    <ul>
      {#each stages as [key, label] (key)}
        <li>
          <a href="/builds/{id}/{key}" aria-current={stage === key ? 'page' : undefined}>
            <span class="pins" aria-hidden="true">
              {#if done(key)}<span class="cap"></span>{:else}<span class="pin"></span><span class="pin"
                ></span>{/if}
            </span>
            <span class="name">{label}</span>
            {#if open(key)}<span class="count" aria-label={text.openCount(open(key))}>{open(key)}</span
              >{:else if states[key]}<span class="sr-only">{done(key) ? text.checked : text.unchecked}</span
              >{/if}
          </a>
        </li>
      {/each}
    </ul>
  </div>
</nav>

<style>
  .rail {
    border-right: 2px solid var(--ink);
    min-width: 0;
  }
  /* In sight while the page scrolls. */
  .stay {
    position: sticky;
    top: 0;
    max-height: 100vh;
    padding: 1rem 0 1rem 0.9rem;
    overflow-y: auto;
  }
  .home {
    display: block;
    margin-bottom: 0.9rem;
    font-weight: 600;
    text-decoration: underline;
    text-underline-offset: 3px;
  }
  a {
    color: var(--ink);
  }
  li a {
    display: flex;
    align-items: stretch;
    height: 46px;
    text-decoration: none;
  }
  .pins {
    display: flex;
    align-items: center;
    justify-content: space-evenly;
    width: 52px;
    background: var(--header);
  }
  .pin {
    width: 13px;
    height: 13px;
    background: var(--pin);
  }
  .cap {
    width: 44px;
    height: 27px;
    background: var(--yellow);
    border: 1px solid var(--sheet);
  }
  .name {
    flex: 1;
    min-width: 0;
    align-self: center;
    margin-left: 6px;
    padding: 7px 8px;
    font-size: 1.05rem;
    font-weight: 550;
  }
  [aria-current='page'] .name {
    background: var(--sheet);
    border: 2px solid var(--ink);
    border-right: 0;
    font-weight: 750;
  }
  .count {
    align-self: center;
    width: 1rem;
    margin-left: -1.5rem;
    margin-right: 0.5rem;
    text-align: center;
    font-weight: 750;
    color: var(--stop);
  }
  @media (max-width: 900px) {
    .rail {
      position: sticky;
      top: 0;
      z-index: 5;
      border-right: 0;
      border-bottom: 2px solid var(--ink);
      background: var(--paper);
    }
    .stay {
      display: flex;
      gap: 0.8rem;
      align-items: center;
      padding: 0.4rem 0.6rem;
      position: relative;
      overflow-x: auto;
    }
    .home {
      margin: 0;
    }
    ul {
      display: flex;
    }
    .pins {
      width: 34px;
    }
    .cap {
      width: 28px;
      height: 20px;
    }
    .pin {
      width: 9px;
      height: 9px;
    }
    .name {
      padding: 5px 8px 5px 4px;
    }
    [aria-current='page'] .name {
      border: 0;
      border-bottom: 3px solid var(--ink);
    }
    @media (max-width: 520px) {
      .home {
        display: none;
      }
      .pins {
        width: 26px;
      }
      .cap {
        width: 22px;
        height: 16px;
      }
      .name {
        padding-right: 5px;
      }
    }
    .count {
      width: auto;
      margin: 0 0.6rem 0 -0.2rem;
    }
  }
</style>
