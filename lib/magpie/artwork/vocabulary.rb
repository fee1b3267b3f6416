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

      # Properties that are attributes too.
      PRESENTATION = words.call(
        "alignment-baseline baseline-shift clip-path clip-rule color color-interpolation
         color-interpolation-filters direction display dominant-baseline fill fill-opacity fill-rule filter
         flood-color flood-opacity font-family font-size font-size-adjust font-stretch font-style font-variant
         font-weight image-rendering letter-spacing lighting-color marker-end marker-mid marker-start mask
         mask-type opacity overflow paint-order shape-rendering stop-color stop-opacity stroke
         stroke-dasharray stroke-dashoffset stroke-linecap stroke-linejoin stroke-miterlimit stroke-opacity
         stroke-width text-anchor text-decoration text-rendering transform-origin unicode-bidi vector-effect
         visibility word-spacing writing-mode"
      )
      # Properties that exist only in style.
      STYLE_ONLY = words.call(
        "mix-blend-mode isolation transform transform-box font font-kerning font-variation-settings
         font-feature-settings white-space x y cx cy r rx ry width height d"
      )
      OTHER_ATTRIBUTES = words.call(
        "id class style href transform viewBox preserveAspectRatio x y width height cx cy r rx ry fx fy fr x1 y1
         x2 y2 d points pathLength dx dy rotate textLength lengthAdjust startOffset method spacing side offset
         gradientUnits gradientTransform spreadMethod patternUnits patternContentUnits patternTransform
         clipPathUnits maskUnits maskContentUnits markerUnits markerWidth markerHeight refX refY orient
         filterUnits primitiveUnits in in2 result stdDeviation edgeMode mode type values tableValues slope
         intercept amplitude exponent operator k1 k2 k3 k4 order kernelMatrix divisor bias targetX targetY
         preserveAlpha surfaceScale diffuseConstant specularConstant specularExponent kernelUnitLength scale
         xChannelSelector yChannelSelector azimuth elevation pointsAtX pointsAtY pointsAtZ limitingConeAngle
         radius baseFrequency numOctaves seed stitchTiles systemLanguage requiredExtensions data-space
         data-label aria-label media z"
      )
      ATTRIBUTES = (PRESENTATION + OTHER_ATTRIBUTES).to_h { |name| [name, true] }.freeze
      EMBEDDED_PICTURE = %r{\Adata:image/(png|jpeg|jpg|gif|webp);base64,[A-Za-z0-9+/=\s]+\z}
    end
  end
end
