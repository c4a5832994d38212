// English, a file for each stage.
import card from './card.json'
import figure from './figure.json'
import floor from './floor.json'
import gym from './gym.json'
import library from './library.json'
import lifter from './lifter.json'
import log from './log.json'
import measure from './measure.json'
import people from './people.json'
import prescribe from './prescribe.json'
import review from './review.json'
import setup from './setup.json'
import shapes from './shapes.json'
import shared from './shared.json'
import signin from './signin.json'
import watch from './watch.json'

export default {
  card,
  figure,
  floor,
  gym,
  library,
  lifter,
  log,
  measure,
  people,
  prescribe,
  review,
  setup,
  shapes,
  shared,
  signin,
  watch,
}
