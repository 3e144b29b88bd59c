<script lang="ts">
  import { Fileupload, type FileuploadProps } from 'flowbite-svelte';

  let { words, class: className, ...rest }: FileuploadProps & { words: string } = $props();
</script>

<!-- The field itself says what it says in the words of the browser; its label is pressed. -->
<label class={['act file inline-flex items-center', className]}>{words}<Fileupload {...rest} /></label>
