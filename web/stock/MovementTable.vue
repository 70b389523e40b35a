<script setup lang="ts">
import type { readStock } from "@kasten/contract/stock";
import type { ReplyOf } from "@kasten/contract/http";
import NumberWords from "../parts/NumberWords.vue";
import { moment, quantity } from "../parts/format";

/** What came and went, signed and with its reason. */
defineProps<{ stock: ReplyOf<typeof readStock> }>();
</script>

<template>
  <div class="sheet overflow-x-auto">
    <table class="text-[0.94rem]">
      <thead>
        <tr>
          <th scope="col">When</th>
          <th scope="col">Who</th>
          <th scope="col">Why</th>
          <th scope="col">Lot</th>
          <th scope="col" class="text-right">How much</th>
          <th scope="col">From</th>
          <th scope="col">To</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="x in stock.movements" :key="x.id">
          <td class="fig whitespace-nowrap">{{ moment(x.at) }}</td>
          <td>{{ x.person }}</td>
          <td>{{ x.reason }}{{ x.note ? `: ${x.note}` : "" }}{{ x.batch ? `, batch ${x.batch}` : "" }}</td>
          <td class="fig">{{ x.lot }}</td>
          <td class="fig whitespace-nowrap text-right"><NumberWords :words="quantity(x.quantity, stock.unit)" /></td>
          <td>{{ x.from }}</td>
          <td>{{ x.to }}</td>
        </tr>
      </tbody>
    </table>
  </div>
</template>
