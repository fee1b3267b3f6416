module Magpie
  module Formats
    # What the columns of a table hold: told by heading, or by hand. One idea of it for all
    # that has columns (CSV, TSV, CGATS).
    class Columns
      # A column of a colour model: how many of it make a colour, the model, and what
      # numbers people write for one unit of ours.
      # @!attribute fields [Array<String>]
      # @!attribute scales [Hash{Symbol => Array<Float>}] by what the column is told to be in: how
      #   much of the model's unit one is, for each field
      Model = Struct.new(:name, :fields, :names, :scales, keyword_init: true)

      bytes, shares, percents = 1 / 255.0, 1.0, 0.01
      MODELS = {
        srgb: Model.new(name: "RGB", fields: %w[rgb_r rgb_g rgb_b], names: %w[red green blue], scales: {"0 to 255" => [bytes] * 3, "0 to 1" => [shares] * 3, "per cent" => [percents] * 3}),
        hsl: Model.new(name: "HSL", fields: %w[hsl_h hsl_s hsl_l], names: %w[hue saturation lightness], scales: {"per cent" => [1.0] * 3, "0 to 1" => [1.0, 100.0, 100.0]}),
        hsb: Model.new(name: "HSB", fields: %w[hsb_h hsb_s hsb_b], names: %w[hue saturation brightness], scales: {"per cent" => [1.0] * 3, "0 to 1" => [1.0, 100.0, 100.0]}),
        lab: Model.new(name: "Lab", fields: %w[lab_l lab_a lab_b], names: %w[lightness a b], scales: {"as they are" => [1.0] * 3}),
        lch: Model.new(name: "LCh", fields: %w[lch_l lch_c lch_h], names: %w[lightness chroma hue], scales: {"as they are" => [1.0] * 3}),
        oklab: Model.new(name: "OKLab", fields: %w[oklab_l oklab_a oklab_b], names: %w[lightness a b], scales: {"0 to 1" => [1.0] * 3, "per cent" => [percents, 1.0, 1.0]}),
        oklch: Model.new(name: "OKLCH", fields: %w[oklch_l oklch_c oklch_h], names: %w[lightness chroma hue], scales: {"0 to 1" => [1.0] * 3, "per cent" => [percents, 1.0, 1.0]}),
        xyz_d50: Model.new(name: "XYZ", fields: %w[xyz_x xyz_y xyz_z], names: %w[X Y Z], scales: {"0 to 100" => [percents] * 3, "0 to 1" => [shares] * 3}),
        cmyk: Model.new(name: "CMYK", fields: %w[cmyk_c cmyk_m cmyk_y cmyk_k], names: %w[cyan magenta yellow black], scales: {"per cent" => [1.0] * 4, "0 to 1" => [100.0] * 4, "0 to 255" => [100 / 255.0] * 4})
      }.freeze

      # From which of several models the colour is taken: that which says most. Inks are
      # kept beside it.
      ORDER = %i[lab lch xyz_d50 oklch oklab srgb hsl hsb].freeze

      # Single columns, by what people write.
      WORDS = {
        "name" => /\A(names?|colou?r ?names?|swatch( ?names?)?|title|label|sample ?name|bezeichnung|nom|nombre)\z/,
        "group" => /\A(groups?|groupe|gruppe|grupo|category|family|set|section|palette|collection)\z/,
        "code" => /\A(codes?|number|nr|no|id|ref(erence)?|article|sku|sample ?id|key)\z/,
        "library" => /\A(librar(y|ies)|colou?r library)\z/,
        "note" => /\A(notes?|comments?|remarks?|description|usage|use)\z/,
        "kind" => /\A(kind|type|colou?r ?type)\z/,
        "hex" => /\A(hex|hex ?(code|value|colou?r)|html|web|s?rgb ?hex|#)\z/,
        "colour" => /\A(value|css|colou?r ?value|notation|definition)\z/,
        "alpha" => /\A(alpha|opacity|a ?\(alpha\)|transparency|deckkraft|opacité)\z/,
        "page" => /\A(page|sheet)\z/, "position" => /\A(position|pos|place|cell)\z/
      }.freeze

      # Headings that say too little by themselves: what it is called, or how it looks; numbers
      # of a model in one cell.
      COLOUR = /\A(colou?rs?|farben?|couleurs?|colore?|kleur)\z/
      WRITTEN = /\A(s?rgb|hsl|hsb|hsv|hwb|lab|lch|oklab|oklch|cmyk)( values?)?\z/

      LONGEST = 100 # characters of a heading that are looked at

      LETTERS = {
        srgb: [%w[r red rot rouge], %w[g green grun grün vert], %w[b blue blau bleu]], cmyk: [%w[c cyan], %w[m magenta], %w[y yellow gelb jaune], %w[k black key schwarz noir]],
        hsl: [%w[h hue], %w[s sat saturation], %w[l lightness lum luminosity]], hsb: [%w[h hue], %w[s sat saturation], %w[b v brightness value]],
        lab: [%w[l], %w[a], %w[b]], lch: [%w[l], %w[c], %w[h]], oklab: [%w[l], %w[a], %w[b]], oklch: [%w[l], %w[c], %w[h]], xyz_d50: [%w[x], %w[y], %w[z]]
      }.freeze
      PREFIXES = {"srgb" => :srgb, "rgb" => :srgb, "cmyk" => :cmyk, "hsl" => :hsl, "hsb" => :hsb, "hsv" => :hsb, "cielab" => :lab, "cie" => :lab, "lab" => :lab, "cielch" => :lch, "lch" => :lch, "oklab" => :oklab, "oklch" => :oklch, "xyz" => :xyz_d50}.freeze

      # What a column can be, with its words, for whoever assigns them by hand.
      # @return [Hash{String => String}]
      def self.roles
        @roles ||= {"" => "left out", "group" => "Group", "name" => "Name", "code" => "Code", "library" => "Library", "note" => "Note", "kind" => "Kind", "page" => "Page", "position" => "Position", "hex" => "Hex", "colour" => "Colour in any notation", "alpha" => "Opacity",
                    **MODELS.values.flat_map { |model| model.fields.zip(model.names).map { |field, name| [field, "#{model.name}: #{name}"] } }.to_h}.freeze
      end

      # @return [Array<String>] as they stand in the file; empty where it has none
      attr_reader :headings
      # @return [Hash{Integer => String}] the role of each column that has one
      attr_reader :roles
      # @return [Array<Array<String>>] some rows
      attr_accessor :samples
      # @return [Hash{Integer => String}] units that headings name; of a column of colours the model
      attr_reader :units
      # @return [Array<Symbol>] models that single letters tell, which several have
      attr_reader :lettered

      def initialize(headings, roles, units = {}, lettered = [])
        @headings, @roles, @units, @lettered, @samples = headings, roles, units, lettered, []
      end

      # @param headings [Array<String>]
      # @param rows [Array<Array<String>>] some of what stands below, for headings that say too little
      # @return [Columns]
      def self.told(headings, rows = [])
        units = {}
        named = headings.each_with_index.map do |heading, index|
          units[index] = "per cent" if heading.match?(/%|per ?cent/i)
          units[index] = "0 to 255" if heading.match?(/255/)
          units[index] = "0 to 1" if heading.match?(/0\s*(\.\.|–|-|to)\s*1(?!\d)/)
          plain(heading)
        end
        telling = Telling.new(named)
        by_contents(new(headings, telling.roles, units, telling.lettered), named, rows)
      end

      # @return [Columns]
      def self.by_contents(columns, named, rows)
        roles, units = columns.roles.dup, columns.units.dup
        named.each_with_index do |name, index|
          next if roles.key?(index)
          model = name[WRITTEN, 1]
          next unless model || name.match?(COLOUR)
          role = (columns.colour? || !colours?(rows, index, model)) ? ("name" unless model) : "colour"
          next if role.nil? || roles.value?(role)
          roles[index] = role
          units[index] = model if model
        end
        new(columns.headings, roles, units, columns.lettered)
      end
      private_class_method :by_contents

      # Is most of what stands in a column a colour?
      def self.colours?(rows, index, model)
        cells = rows.map { |row| row[index].to_s }.reject(&:empty?)
        cells.any? && cells.count { |cell| Notation.try(notation(cell, model)) } * 2 > cells.size
      end
      private_class_method :colours?

      NUMBERS = /\A[-−]?\d[\d\s.,;\/%°−-]*\z/

      # @param cell [String]
      # @param model [String, nil] that the heading names
      # @return [String] the notation of what stands in a cell: "228, 111, 88" as "rgb 228 111 88"
      def self.notation(cell, model)
        return cell unless model && cell.match?(NUMBERS)
        apart = cell.strip.split(/\s*[;\/]\s*|\s+/)
        apart = (apart.size > 2) ? apart.map { |number| number.delete_suffix(",").tr(",", ".") } : cell.strip.split(/\s*,\s*/)
        "#{model.sub("srgb", "rgb")} #{apart.join(" ")}"
      end

      def self.plain(heading) = heading.to_s[0, LONGEST].unicode_normalize(:nfkc).downcase.gsub(/[*'"’%°]|\(.*?\)|\[.*?\]/, " ").gsub(/[_\-.:\/\s]+/, " ").gsub(/\b0 ?(to|–)? ?(1|255|100)\b|per ?cent/, "").strip

      # @return [Integer] columns that there are
      def width = [@headings.size, *@samples.map(&:size)].max

      # @return [Integer, nil] of the column
      def [](role) = @at ? @at[role] : (@at = @roles.invert)[role]

      # Models that all columns are there for.
      def models = MODELS.keys.select { |model| MODELS[model].fields.all? { |field| self[field] } }

      # Is there anything that makes a colour?
      def colour? = !!(self["hex"] || self["colour"]) || models.any?

      # Tells roles from headings: first those that name their model, then letters that
      # stand together for one.
      class Telling
        # @return [Array<Symbol>]
        attr_reader :lettered

        # @param names [Array<String>] plain
        def initialize(names)
          @names, @roles, @lettered = names, {}, []
        end

        # @return [Hash{Integer => String}]
        def roles
          prefixed
          single
          together
          @roles
        end

        private

        def give(index, role) = (@roles[index] = role unless @roles.key?(index) || @roles.value?(role))

        def prefixed
          @names.each_with_index do |name, index|
            prefix, rest = name.match(/\A(s?rgb|cmyk|hsl|hsb|hsv|cielab|cie|lab|cielch|lch|oklab|oklch|xyz) ?(.+)\z/)&.captures
            model = PREFIXES[prefix] or next
            at = LETTERS.fetch(model).index { |letters| letters.include?(rest.delete(" ")) || letters.include?(rest.sub(/\A(red|green|blue|a|b|l) value\z/, '\1')) } or next
            give(index, MODELS[model].fields[at])
          end
        end

        def single
          @names.each_with_index { |name, index| WORDS.each { |role, form| break if name.match?(form) && give(index, role) } }
          hsb_or_name
        end

        # "Value" is brightness where hue and saturation stand beside it.
        def hsb_or_name
          index = @names.index("value")
          @roles.delete(index) if index && @roles[index] == "colour" && @names.intersect?(%w[h hue]) && @names.intersect?(%w[s sat saturation])
        end

        # "R", "G", "B"; "L", "a", "b": each run of columns that are one model's, in order.
        def together
          @names.each_index do |start|
            %i[cmyk srgb lab hsl hsb lch xyz_d50].each do |model|
              letters = LETTERS.fetch(model)
              run = (start...(start + letters.size)).to_a
              next unless run.each_with_index.all? { |index, at| letters[at].include?(@names[index]) && free?(index, model) } && run.none? { |index| @roles.value?(MODELS[model].fields[index - start]) }
              run.each_with_index { |index, at| @roles[index] = MODELS[model].fields[at] }
              @lettered << model
            end
          end
          scattered
        end

        def free?(index, model) = !@roles.key?(index) || model == :cmyk && @roles[index] == "code"

        # In any order, where all of one are there.
        def scattered
          %i[cmyk srgb hsl hsb lab xyz_d50].each do |model|
            next if MODELS[model].fields.any? { |field| @roles.value?(field) }
            found = LETTERS.fetch(model).map { |letters| @names.each_index.find { |index| letters.include?(@names[index]) && !@roles.key?(index) } }
            next unless found.all? && found.uniq.size == found.size
            found.zip(MODELS[model].fields) { |index, field| @roles[index] = field }
            @lettered << model
          end
        end
      end
    end
  end
end
