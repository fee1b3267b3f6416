// What Tab may come to, and whether one sees it and can use it now.
import { all } from "./page.js"

const STOPS = "a[href], button, input:not([type=hidden]), select, textarea, summary, [tabindex]"

export const usable = element => Boolean(element) && !element.disabled && element.checkVisibility({ visibilityProperty: true })

// @returns {Element[]} also those that only a script gives the focus to
export const stopsIn = part => all(STOPS, part).filter(usable)
