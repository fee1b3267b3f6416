// Every module binds once to the document and finds its elements when something
// happens, so that a page that htmx has just brought up to date needs no set-up.
import "./copy.js"
import "./drop.js"
import "./keys.js"
import "./picture.js"
import "./stage.js"
import "./mix.js"
import "./small.js"
import "./trouble.js"
