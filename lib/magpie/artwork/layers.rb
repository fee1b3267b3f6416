require "cgi"
require "json"

module Magpie
  class Artwork
    # Pictures within a drawing, and what of them is filled: a template with a picture beneath or
    # above the rest, and parts that lie on it. A picture is named by its SHA-256, not held: whoever
    # writes the drawing says where it is found (see .resolved).
    module Layers
      PICTURE = /#{Identifiers::MARK}picture-(\h{64})/
      LAYER = /<image\b[^>]*data-layer="([^"]*)"[^>]*>/
      FILL = %r{<g\b[^>]*data-fill="([^"]*)"[^>]*>.*?</g>}m
      AT = %w[beneath above].freeze

      # A picture where it lies.
      # @!attribute sha256 [String]
      # @!attribute width, height [Integer] px
      # @!attribute box [Array<Float>] left, top, width, height in units of the drawing
      Layer = Struct.new(:sha256, :width, :height, :box) do
        # @return [Array<Integer>, nil] px, nil where it does not lie there
        def pixel(across, down)
          left, top, wide, high = box
          x, y = ((across - left) / wide * width).floor, ((down - top) / high * height).floor
          [x, y] if x.between?(0, width - 1) && y.between?(0, height - 1)
        end

        # From px to units of the drawing.
        # @return [Affine]
        def matrix = box.then { |left, top, wide, high| Affine.new(wide / width.to_f, 0.0, 0.0, high / height.to_f, left, top) }
      end

      # What is filled: of which picture, and how it was looked for.
      # @!attribute key [String] of its part
      # @!attribute aim [Hash] see Picture::Fill::Aim
      Filled = Struct.new(:key, :sha256, :aim)

      module_function

      # A drawing that is one picture.
      # @return [String] a template
      def of(sha256, width, height)
        layer = Layer.new(sha256, width, height, [0.0, 0.0, width.to_f, height.to_f])
        %(<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 #{width} #{height}" width="#{width}" height="#{height}">#{image(layer)}</svg>)
      end

      # @param at [String] of AT
      # @return [String] the template with one picture more, as large as it fits
      def with(template, sha256, width, height, at)
        left, top, wide, high = Frames.new(template).view
        scale = [wide / width, high / height].min
        layer = Layer.new(sha256, width, height, [left + (wide - width * scale) / 2, top + (high - height * scale) / 2, width * scale, height * scale])
        (at == "beneath") ? template.sub(/<svg[^>]*>/) { |root| root + image(layer) } : before_end(template, image(layer))
      end

      # @return [String] the template without a picture of which nothing is filled
      def without_layer(template, sha256) = template.gsub(LAYER) { |image| (key_of($1) == sha256) ? "" : image }

      # From the lowest.
      # @return [Array<Layer>]
      def all(template)
        template.scan(LAYER).map { |(text)| JSON.parse(CGI.unescapeHTML(text)) }.map { |sha256, width, height, box| Layer.new(sha256, width, height, box) }
      end

      # The highest that lies there, and the place in it.
      # @return [[Layer, Array<Integer>], nil]
      def under(template, across, down) = all(template).reverse.lazy.filter_map { |layer| (pixel = layer.pixel(across, down)) && [layer, pixel] }.first

      # @return [Array<Filled>]
      def fills(template) = template.scan(FILL).map { |(text)| JSON.parse(CGI.unescapeHTML(text)) }.map { |key, sha256, aim| Filled.new(key, sha256, aim) }

      # On which picture the part of a key lies, and how it was looked for.
      # @return [[Layer, Hash{Symbol => Object}], nil]
      def of_fill(template, key)
        filled = fills(template).find { |each| each.key == key }
        filled && [all(template).find { |each| each.sha256 == filled.sha256 }, filled.aim.transform_keys(&:to_sym)]
      end

      # @param key [String] of a new part
      # @param layer [Layer] on which it lies
      # @param found [Picture::Fill]
      # @param mask [String] SHA-256 of its mask
      # @return [String] the template with it: on its picture, above what was filled before; in the
      #   place of the one of that key, if there is one
      def filled(template, key, layer, found, mask, aim)
        made = fill(key, layer, found, mask, aim)
        return template.gsub(FILL) { |group| (key_of($1) == key) ? made : group } if fills(template).any? { |each| each.key == key }
        template.dup.insert(last_of(template, layer.sha256), made)
      end

      # @return [String] the template without it
      def without(template, key) = template.gsub(FILL) { |group| (key_of($1) == key) ? "" : group }

      # With each picture where it is found.
      # @yieldparam sha256 [String]
      # @yieldreturn [String] an address
      def resolved(template) = template.include?("#{Identifiers::MARK}picture-") ? template.gsub(PICTURE) { CGI.escapeHTML(yield($1)) } : template

      # @return [Array<String>] SHA-256 of all that it holds, masks among them
      def pictures(template) = template.scan(PICTURE).flatten.uniq

      # Behind a picture and whatever was filled of it.
      # @return [Integer]
      def last_of(template, sha256)
        ends = []
        template.scan(/#{LAYER}|#{FILL}/o) do |layer, fill|
          ends << Regexp.last_match.end(0) if (layer ? JSON.parse(CGI.unescapeHTML(layer))[0] : JSON.parse(CGI.unescapeHTML(fill))[1]) == sha256
        end
        ends.last
      end

      def key_of(text) = JSON.parse(CGI.unescapeHTML(text)).first

      def image(layer)
        left, top, width, height = layer.box.map { |value| Affine.short(value) }
        %(<image x="#{left}" y="#{top}" width="#{width}" height="#{height}" preserveAspectRatio="none" href="#{Identifiers::MARK}picture-#{layer.sha256}" data-layer="#{json(layer.to_a)}"/>)
      end

      # Its mask, and what the pointer meets.
      def fill(key, layer, found, mask, aim)
        left, top, width, height = found.box
        id = "#{Identifiers::MARK}fill-#{Digest::SHA256.hexdigest(key)[0, 12]}"
        shown = %(<mask id="#{id}" maskUnits="userSpaceOnUse" x="#{left}" y="#{top}" width="#{width}" height="#{height}"><image x="#{left}" y="#{top}" width="#{width}" height="#{height}" preserveAspectRatio="none" href="#{Identifiers::MARK}picture-#{mask}"/></mask>)
        %(<g data-fill="#{json([key, layer.sha256, aim])}">#{shown}<path transform="#{layer.matrix}" d="#{found.rows}" data-outline="#{found.outline}" mask="url(##{id})" stroke="none" #{Parts::MARK}="#{Identifiers::MARK}#{CGI.escapeHTML(key)}"/></g>)
      end

      def before_end(template, more) = template.dup.insert(template.rindex("</svg>"), more)

      def json(value) = CGI.escapeHTML(JSON.generate(value))
      private_class_method :last_of, :key_of, :image, :fill, :before_end, :json
    end
  end
end
