# Drawings that mean harm, as they would come in. The address stands for any outside.
module Hostile
  ADDRESS = "http://quillmere.example/seen"

  module_function

  def svg(body, attributes = 'width="100" height="100"') = %(<svg xmlns="http://www.w3.org/2000/svg" xmlns:xlink="http://www.w3.org/1999/xlink" #{attributes}>#{body}</svg>)

  RECT = '<rect id="r" width="9" height="9"/>'

  # Each asks an address outside of it for something, in its own way.
  ASKING = {
    "plain" => ->(url) { %~<rect width="9" height="9" fill="url(#{url})"/>~ },
    "escaped letters" => ->(url) { %~<style>rect{fill:u\\72l(#{url});filter:\\75 \\72 \\6c (#{url})}</style>#{RECT}~ },
    "escape across a line" => ->(url) { %~<rect width="9" height="9" style="fill:u\\rl(#{url})"/>~ },
    "image-set" => ->(url) { %~<rect width="9" height="9" style="background:image-set('#{url}' 1x);mask-image:-webkit-image-set(url(#{url}) 1x);fill:image-set('#{url}' 1x)"/>~ },
    "cross-fade" => ->(url) { %~<style>rect,svg{background-image:-webkit-cross-fade(url(#{url}),url(#{url}),50%);mask:cross-fade(url(#{url}),url(#{url}))}</style>#{RECT}~ },
    "variables" => ->(url) { %~<style>:root{--a:url(#{url});--b:var(--a)}rect{fill:var(--b);mask:var(--a);background:var(--a)}</style>#{RECT}~ },
    "variables put together" => ->(url) { %~<style>:root{--u:'#{url}';--i:image-set(var(--u) 1x)}svg{background:var(--i);cursor:var(--i)}rect{filter:var(--i)}</style>#{RECT}~ },
    "a quote that shifts" => ->(url) { %~<rect width="9" height="9" style="font-family:'a;b';--x:&quot;;fill:red;background:url(#{url})&quot;;background:url('#{url}')"/>~ },
    "a string with a semicolon" => ->(url) { %~<rect width="9" height="9" style="font-family:';background:url(#{url});x:'"/>~ },
    "fallback of a variable" => ->(url) { %~<rect width="9" height="9" style="fill:var(--none, url(#{url}#a));mask:var(--none,url(#{url}))"/>~ },
    "import" => ->(url) { %~<style>@import url(#{url});@import "#{url}";rect{fill:red}</style>#{RECT}~ },
    "font" => ->(url) { %~<style>@font-face{font-family:q;src:url(#{url})}text{font-family:q}</style><text y="9">Night</text>~ },
    "external style sheet" => ->(url) { %(<style>/* */</style><link xmlns="http://www.w3.org/1999/xhtml" rel="stylesheet" href="#{url}"/>#{RECT}) },
    "image" => ->(url) { %(<image href="#{url}" width="9" height="9"/><image xlink:href="#{url}" width="9" height="9"/>) },
    "image in an image" => ->(url) { %(<image width="9" height="9" href="data:image/svg+xml,%3Csvg xmlns='http://www.w3.org/2000/svg'%3E%3Cimage href='#{url}'/%3E%3C/svg%3E"/>) },
    "use" => ->(url) { %(<use href="#{url}#a"/><use xlink:href="#{url}#a"/>) },
    "filter" => ->(url) { %~<filter id="f"><feImage href="#{url}"/></filter><rect width="9" height="9" filter="url(#f)"/><rect width="9" height="9" filter="url(#{url}#f)"/>~ },
    "gradient" => ->(url) { %~<linearGradient id="g" href="#{url}#g"/><pattern id="p" xlink:href="#{url}#p"/><rect width="9" height="9" fill="url(#g)" stroke="url(#p)"/>~ },
    "marker and clip" => ->(url) { %~<path d="M0 0H9V9" style="marker:url(#{url}#m);clip-path:url(#{url}#c)" mask="url('#{url}#m')"/>~ },
    "foreign content" => ->(url) { %(<foreignObject width="9" height="9"><img xmlns="http://www.w3.org/1999/xhtml" src="#{url}"/></foreignObject><iframe xmlns="http://www.w3.org/1999/xhtml" src="#{url}"/>) },
    "script" => ->(url) { %~<script>fetch("#{url}")</script><script href="#{url}"/><rect width="9" height="9" onload="fetch('#{url}')"/>~ },
    "animation" => ->(url) { %(<image width="9" height="9"><set attributeName="href" to="#{url}"/><animate attributeName="href" values="#{url}"/></image>) },
    "link" => ->(url) { %~<a href="#{url}" ping="#{url}"><circle r="3"/></a><a href="javascript:fetch('#{url}')"><circle r="3"/></a>~ },
    "path" => ->(url) { %~<rect width="9" height="9" style="offset-path:url(#{url});shape-outside:url(#{url});d:path('M0 0&quot;);background:url(#{url})')"/>~ },
    "names of fonts" => ->(url) { %~<text font-family="'a'),url(#{url}" style="font-family:&quot;x&#92;&quot;;background:url(#{url});&quot;">Night</text>~ },
    "characters that are ours" => ->(url) { %~<text id="&#xE001;a"> data-part="&#xE001;r" &#xE001;</text><rect width="9" height="9" fill="url(#&#xE001;) url(#{url})"/>~ },
    "a comment in between" => ->(url) { %~<rect width="9" height="9" style="fill:ur/**/l(#{url});mask:/*'*/url(#{url})/*'*/"/>~ }
  }.freeze

  # [what it is, the drawing], asking for an address.
  def asking(url) = ASKING.map { |name, body| [name, svg(body.call(url))] } + [["sheet before the root", %(<?xml version="1.0"?><?xml-stylesheet href="#{url}"?>#{svg(RECT)})], ["base", svg(RECT, %(width="9" height="9" xml:base="#{url}" style="background:url(#{url})"))]]

  # What is too much, and what is said about it.
  COSTLY = {
    "numbers that are none" => ['<rect width="1e30" height="1e30"/>', "line 1: width is 1e30: numbers go up to 10,000,000"],
    "numbers beyond all" => ["<g>\n<circle r=\"1e400\"/></g>", "line 2: r is 1e400: numbers go up to 10,000,000"],
    "letters as large as the sky" => ['<text style="font-size:1e30">Night</text>', "line 1: font-size is 1e30: numbers go up to 10,000,000"],
    "a path beyond all" => ['<path d="M0 0L123456789 3"/>', "line 1: d is 123456789: numbers go up to 10,000,000"],
    "a transform beyond all" => ['<g transform="scale(1e20)"><circle r="3"/></g>', "line 1: transform is 1e20: numbers go up to 10,000,000"],
    "powers of ten" => ['<rect style="stroke-width:1e999999999"/>', "line 1: its style sheets hold the number 1e999999999"],
    "large convolutions" => ['<filter id="f"><feConvolveMatrix order="100"/></filter>', "line 1: order is 100: numbers go up to 20"],
    "octaves" => ['<filter id="f"><feTurbulence numOctaves="10000"/></filter>', "line 1: numOctaves is 10000: numbers go up to 12"],
    "copies of copies" => ["<g id=\"g0\">#{RECT}</g>#{(1..19).map { |n| %(<g id="g#{n}"><use href="#g#{n - 1}"/><use href="#g#{n - 1}"/></g>) }.join}", "line 1: its copies of copies: it comes to more than 50,000 elements"],
    "long texts copied" => ["<text id=\"t\">#{"x" * 100_000}</text>#{'<use href="#t"/>' * 500}", "line 1: its copies of copies: it comes to more than 41,943,040 bytes"],
    "a chain of copies" => ["<g id=\"g0\">#{RECT}</g>#{(1..300).map { |n| %(<g id="g#{n}"><use href="#g#{n - 1}"/></g>) }.join}", "line 1: its copies of copies: they are nested deeper than 200"],
    "rules without end" => ["<style>#{"g rect{fill:red}" * 4900}</style><g>#{RECT * 2000}</g>", "line 1: it comes to more than 500,000 steps of work"],
    "brackets" => ["<rect style=\"fill:#{"(" * 5000}\"/>", "line 1: its style sheets have brackets nested deeper than 32"],
    "braces" => ["<style>#{"a{" * 5000}</style>", "line 1: its style sheets have brackets nested deeper than 32"],
    "media in media" => ["<style>#{"@media screen{" * 3000}</style>", "line 1: its style sheets have brackets nested deeper than 32"],
    "attributes" => ["\n<g/>\n<rect #{(1..20_000).map { |n| "a#{n}=''" }.join(" ")}/>", "has an element with more than 200 attributes at line 3"],
    "elements" => ["<g/>" * 1_000_000, "has more than 50,000 elements"],
    "variables that name each other" => ["<style>rect{#{(0..3000).map { |n| "--p#{n}:var(--p#{n + 1})" }.join(";")};fill:var(--p0)}</style>#{RECT}", "line 1: its custom properties name each other more than 100 deep"]
  }.freeze

  # What costs little when it is done well: read, with so many parts.
  CHEAP = {
    "properties that double" => ["<style>rect{--p0:red;#{(1..60).map { |n| "--p#{n}:var(--p#{n - 1}) var(--p#{n - 1})" }.join(";")};fill:var(--p60)}</style>#{RECT}", 1],
    "siblings of siblings" => ["<style>circle~rect{fill:red} rect~rect{fill:blue} circle~rect~rect{fill:red}</style>#{RECT * 3000}", 3000],
    "rules that are alike" => ["<style>#{"rect{fill:red}" * 4900}</style>#{RECT * 2000}", 2000],
    "groups in groups" => ["#{"<g opacity='.9'>" * 50}#{"<circle r='2'/>" * 5000}#{"</g>" * 50}", 5000],
    "one identifier for all" => ["<g><rect id=\"a\" width=\"1\" height=\"1\"/></g>" * 3000, 3000],
    "words in words" => ["<text>#{"<tspan fill='red'>" * 100}#{"x" * 60_000}#{"</tspan>" * 100}</text>", 101],
    "blanks without end" => ["<g transform=\"#{" " * 200_000}x\" id=\"#{"-" * 200_000}x\"/><style>rect:nth-child(n#{" " * 200_000}x){fill:red}</style><rect style=\"stroke:url(#a#{" " * 200_000}x)\" width=\"9\" height=\"9\"/>", 1],
    "the largest number that may be, however it is said" => ['<rect width="10000000" height="1" stroke-width="1e7" style="stroke-dashoffset:10000000px"/>', 1],
    "letters that are not ASCII" => ["<style>#{"é{fill:red}" * 2000} .ü{fill:#0A0}</style><rect id=\"r\" class=\"ü\" width=\"9\" height=\"9\"/>", 1]
  }.freeze

  # Drawings that would lie over the page or take clicks beside themselves.
  ESCAPING = {
    "a style of the root" => svg('<rect id="r" x="-500" y="-500" width="9000" height="9000" fill="red"/>', 'width="100" height="100" style="position:fixed;inset:0;width:100vw;height:100vh;z-index:999;overflow:visible;transform:scale(40)"'),
    "an overflow" => svg('<rect id="r" x="-5000" y="-5000" width="90000" height="90000" fill="red"/>', 'width="100" height="100" overflow="visible" style="overflow:visible!important"'),
    "a view of its own" => svg('<rect id="r" x="-5000" y="-5000" width="90000" height="90000" fill="red"/>', 'viewBox="40 40 1 1" preserveAspectRatio="xMaxYMax slice" width="900000" height="900000" overflow="visible"'),
    "a transform of the root" => svg('<rect id="r" width="9000" height="9000" fill="red"/>', 'width="100" height="100" transform="scale(90) translate(-50 -50)" overflow="visible"'),
    "a sheet for everybody" => svg("<style>*,html,body,#app,nav{display:none!important;position:fixed!important;fill:red}</style><rect id=\"r\" width=\"9\" height=\"9\"/>"),
    "a ratio without end" => svg('<rect id="r" width="9" height="9000000"/>', 'viewBox="0 0 1 9000000"')
  }.freeze
end
