module Magpie
  class Artwork
    # The elements, attributes and properties of SVG 2 that an artwork may have.
    # What is not listed is left out.
    module Vocabulary
      words = ->(text) { text.split.freeze }

      SHAPES = words.call("path rect circle ellipse line polyline polygon")
      TEXTS = words.call("text tspan textPath")
      CONTAINERS = words.call("svg g a")
      GRADIENTS = words.call("linearGradient radialGradient")
      INKED = words.call("pattern marker") # their contents show their own paint
      HIDDEN = words.call("defs symbol clipPath mask")
      ELEMENTS = (SHAPES + TEXTS + CONTAINERS + GRADIENTS + INKED + HIDDEN + words.call(
        "stop use image switch filter style feBlend feColorMatrix feComponentTransfer feComposite feConvolveMatrix
         feDiffuseLighting feDisplacementMap feDistantLight feDropShadow feFlood feFuncA feFuncB feFuncG feFuncR
         feGaussianBlur feMerge feMergeNode feMorphology feOffset fePointLight feSpecularLighting feSpotLight
         feTile feTurbulence"
      )).freeze
      # They paint nothing, so leaving them out is not worth a word.
      SILENT = words.call("metadata title desc view")

      # Properties that are attributes too, and what their values consist of (see Grammar).
      of = ->(kind, text) { words.call(text).to_h { |name| [name, kind] } }
      PRESENTATION = {
        **of.call(:paint, "fill stroke"),
        **of.call(:colour, "color flood-color lighting-color stop-color text-decoration"),
        **of.call(:length, "baseline-shift fill-opacity flood-opacity font-size font-size-adjust font-stretch font-weight letter-spacing
          opacity stop-opacity stroke-dasharray stroke-dashoffset stroke-miterlimit stroke-opacity stroke-width transform-origin word-spacing"),
        **of.call(:reference, "clip-path marker-end marker-mid marker-start mask"),
        **of.call(:filter, "filter"),
        **of.call(:fonts, "font-family"),
        **of.call(:word, "alignment-baseline clip-rule color-interpolation color-interpolation-filters direction display dominant-baseline
          fill-rule font-style font-variant image-rendering mask-type overflow paint-order shape-rendering stroke-linecap stroke-linejoin
          text-anchor text-rendering unicode-bidi vector-effect visibility writing-mode")
      }.freeze
      # Properties that exist only in style.
      STYLE_ONLY = {
        **of.call(:word, "mix-blend-mode isolation transform-box font-kerning white-space"),
        **of.call(:transform, "transform"), **of.call(:font, "font"), **of.call(:features, "font-variation-settings font-feature-settings"),
        **of.call(:length, "x y cx cy r rx ry width height"), **of.call(:path, "d")
      }.freeze
      PROPERTIES = PRESENTATION.merge(STYLE_ONLY).freeze
      # Attributes that are no properties (see Geometry).
      GEOMETRY = {
        **of.call(:numbers, "viewBox values tableValues kernelMatrix order stdDeviation baseFrequency radius kernelUnitLength rotate slope
          intercept amplitude exponent k1 k2 k3 k4 divisor bias targetX targetY surfaceScale diffuseConstant specularConstant
          specularExponent scale azimuth elevation pointsAtX pointsAtY pointsAtZ limitingConeAngle numOctaves seed pathLength z"),
        **of.call(:lengths, "x y width height cx cy r rx ry fx fy fr x1 y1 x2 y2 dx dy textLength startOffset offset markerWidth
          markerHeight refX refY orient systemLanguage"),
        **of.call(:word, "preserveAspectRatio lengthAdjust method spacing side gradientUnits spreadMethod patternUnits patternContentUnits
          clipPathUnits maskUnits maskContentUnits markerUnits filterUnits primitiveUnits edgeMode mode type operator preserveAlpha
          xChannelSelector yChannelSelector stitchTiles data-space"),
        **of.call(:name, "id in in2 result"),
        **of.call(:transform, "transform gradientTransform patternTransform"),
        **of.call(:path, "d"), **of.call(:points, "points")
      }.freeze
      # Read and then taken away, or only ever read as text.
      READ = words.call("class style href media data-label aria-label requiredExtensions")
    end
  end
end
