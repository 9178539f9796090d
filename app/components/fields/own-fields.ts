import type { Component } from 'vue'
import type { OwnField } from '~~/core/changes'
import MovesField from './MovesField.vue'
import ReadingsField from './ReadingsField.vue'
import RulesField from './RulesField.vue'

/** Fields that one kind of change names for an input of its own; each takes all inputs, and gives the new value of its one. */
export const OWN_FIELDS: Record<OwnField, Component> = { MovesField, ReadingsField, RulesField }
