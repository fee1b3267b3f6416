module Magpie
  module Formats
    # What a palette has and a file of it has not, told by laying the palette beside what
    # is read again (see Carried): nothing can be lost that is not found here.
    class Losses
      # @!attribute what [Symbol] of Carried::FEATURES, or :colours
      # @!attribute count [Integer] of how many swatches, groups or inks
      # @!attribute words [String]
      # @!attribute choice [String, nil] key of the option that says what is done instead
      Loss = Struct.new(:what, :count, :words, :choice)

      # ΔE00 that nobody sees, and no file keeps but one of exact numbers.
      SAME = 0.01

      # @param palette [Palette] as it goes out
      # @param carried [Palette] as it is read again, of as many swatches
      # @param order [Array<Palette::Swatch>] of the palette, in which they are read again
      def initialize(palette, carried, order = palette.swatches)
        @palette, @carried = palette, carried
        @pairs = order.zip(carried.swatches)
      end

      # @return [Array<Loss>]
      def to_a = [*colours, *compounds, *of_swatches, *of_groups, *of_palette]

      MANY = {"its screen colour" => "their screen colours", "its name" => "their names", "its ends" => "their ends", "its inks" => "their inks", "a value" => "values", "the colour in its middle" => "the colours in their middles", "it looks" => "they look", "with it" => "with them"}.freeze

      # "3 gradients: are left out"
      def self.words(count, one, many, what)
        return "1 #{one}: #{what}" if count == 1
        "#{Text.thousands(count)} #{many}: #{what.sub(/\Ais\b/, "are").sub(/\A(goe|stay)s\b/) { $1.delete_suffix("e") }.then { |each| MANY.reduce(each) { |text, (one_of_it, several)| text.sub(one_of_it, several) } }}"
      end

      private

      def loss(what, count, words) = (count > 0) ? Loss.new(what, count, words) : nil

      def of_swatches = [names, *Carried::OF_SWATCH.except(:names).map { |feature, member| of_swatch(feature, member) }].compact

      # One, several, and what becomes of one.
      LEFT = {
        shared: ["shared mark", "shared marks", "stays here"], notes: %w[note notes].push("is left out"), definitions: ["colour as it was typed", "colours as they were typed", "is left out"],
        codes: ["code", "codes", "is left out"], libraries: ["name of a library", "names of libraries", "is left out"], spots: ["spot ink", "spot inks", "goes as its screen colour"], tints: ["tint", "tints", "goes as a value, no longer tied"],
        spectra: ["spectrum", "spectra", "is left out"], inks: ["set of press values", "sets of press values", "is left out"],
        pages: ["page of the chart", "pages of the chart", "is left out"], positions: ["position on the chart", "positions on the chart", "is left out"]
      }.freeze

      def of_swatch(feature, member)
        return if @pairs.none? { |ours, theirs| ours[member] && ours[member] != theirs[member] }
        lost = @pairs.select { |ours, theirs| ours[member] && !alike?(ours[member], theirs[member], member) && !(member == :definition && said_otherwise?(ours, theirs)) }.map(&:first)
        loss(feature, lost.size, said(lost, *LEFT.fetch(feature))) if lost.any?
      end

      # "1 spot ink, Lamp: goes as its screen colour"
      def said(lost, one, many, what)
        return Losses.words(lost.size, one, many, what) if lost.size > 1 || lost[0].name.empty?
        "1 #{one}: #{lost[0].name} #{what}"
      end

      # What was typed is the colour that is there.
      def said_otherwise?(ours, theirs) = Notation.try(ours.definition)&.then { |typed| typed.alpha == theirs.colour.alpha && Difference.de2000(typed, theirs.colour) <= SAME }

      # Where an address differs because groups do, the tie is kept.
      def alike?(ours, theirs, member)
        return theirs && (ours.percent - theirs.percent).abs < 1e-6 if member == :tint
        ours == theirs || ours.is_a?(Array) && theirs.is_a?(Array) && ours.zip(theirs).all? { |one, two| (one - two).abs < 0.01 } || ours.is_a?(Spectrum) && theirs.is_a?(Spectrum) && ours.values.size == theirs.values.size && ours.values.zip(theirs.values).all? { |one, two| (one - two).abs < 1e-4 }
      end

      def names
        changed = @pairs.select { |ours, theirs| ours.name != theirs.name }
        return if changed.empty?
        return loss(:names, changed.size, "#{Text.count(changed.size, "name")}: left out") if @pairs.all? { |_, theirs| theirs.name.empty? }
        ours, theirs = changed.first
        loss(:names, changed.size, "#{Text.count(changed.size, "name")}: made safe, such as “#{ours.name[0, 40]}” as “#{theirs.name[0, 40]}”")
      end

      def compounds
        gone = @pairs.select { |ours, theirs| ours.compound && theirs.compound.nil? }.map(&:first).partition { |swatch| swatch.compound.gradient? }
        links = inks.count { |one, two| one.reference && !two.reference }
        ends = @pairs.count { |ours, theirs| ours.compound && theirs.compound && ours.compound.extent != theirs.compound.extent }
        [loss(:gradients, gone[0].size, several(gone[0].size, "gradient", "gradients", "is left out")), loss(:patterns, gone[1].size, several(gone[1].size, "pattern", "patterns", "is left out")),
          loss(:extents, ends, several(ends, "gradient that begins again", "gradients that begin again", "stays as it ends")), loss(:links, links, several(links, "stop that follows a swatch", "stops that follow swatches", "goes as a value"))].compact
      end

      # Of what goes as it is. Files have stops in the order in which they lie.
      # @return [Array<[Palette::Compound::Ink, Palette::Compound::Ink]>]
      def inks
        @inks ||= @pairs.select { |ours, theirs| ours.compound && theirs.compound }.flat_map { |pair| pair.map { |swatch| lying(swatch.compound) }.reduce(:zip) }
      end

      def lying(compound) = compound.gradient? ? compound.inks.values_at(*compound.order) : compound.inks

      # Colours, and inks of what goes as it is.
      def colours
        compared = @pairs.reject { |ours, theirs| ours.compound && theirs.compound }.map { |pair| pair.map(&:colour) } + inks.map { |pair| pair.map(&:shown) }
        changed = compared.reject { |ours, theirs| ours == theirs }
        [*opacities(changed), *shades(changed)].compact
      end

      EIGHT_BITS = 0.5 / 255 + 1e-9

      def opacities(changed)
        rounded, gone = changed.map { |ours, theirs| (ours.alpha - theirs.alpha).abs }.select { |by| by > 1e-4 }.partition { |by| by <= EIGHT_BITS }
        [loss(:opacity, gone.size, several(gone.size, "opacity", "opacities", "is left out")), loss(:opacity, rounded.size, several(rounded.size, "opacity", "opacities", "is rounded to 8 bits"))]
      end

      # Those that look otherwise, and those that are only said in another way.
      def shades(changed)
        return [] if changed.empty?
        differences = Bulk.de2000(*changed.transpose.map { |colours| Bulk.columns(colours.map { |colour| colour.in(:lab) }) }).to_a
        other, same = changed.zip(differences).partition { |_, difference| difference > SAME }
        outside, rounded = other.partition { |(ours, _), _| !ours.in_srgb? }
        inks = same.count { |(ours, theirs), _| ours.model == :cmyk && theirs.model != :cmyk }
        [loss(:colours, outside.size, several(outside.size, "colour outside the screen’s range", "colours outside the screen’s range", "goes as the nearest inside, ΔE #{most(outside)} at most")),
          loss(:colours, rounded.size, several(rounded.size, "colour", "colours", "is rounded, ΔE #{most(rounded)} at most")),
          loss(:colours, inks, several(inks, "colour in inks", "colours in inks", "goes as what print looks like"))].compact
      end

      def most(changed) = changed.empty? ? 0 : Notation::Forms.short((changed.map(&:last).max * 100).ceil / 100.0, 2)

      def of_groups
        names = @palette.groups.reject { |group| group.swatches.empty? }.map(&:name).uniq
        alike = @palette.groups.size - @palette.groups.map(&:name).uniq.size
        alike = 0 unless @carried.groups.any?(&:name) && @carried.groups.map(&:name).uniq == @carried.groups.map(&:name)
        kept = @carried.groups.reject { |group| group.swatches.empty? }.map(&:name).uniq
        empty = @palette.groups.count { |group| group.swatches.empty? } - @carried.groups.count { |group| group.swatches.empty? && group.name }
        notes = (@palette.groups.filter_map(&:note) - @carried.groups.filter_map(&:note)).size
        lost = (kept == names) ? 0 : names.size
        lost = 0 if names == [@palette.name] && @carried.groups.none?(&:name)
        what = (names.size == 1) ? "its name is left out" : "is not told apart"
        what = @carried.groups.any?(&:name) ? "is called otherwise, since its name cannot be written" : what
        [loss(:equal_groups, alike, several(alike, "group of the same name as another", "groups of the same name as others", "goes together with it")), loss(:groups, lost, several(lost, "group", "groups", what)), loss(:empty_groups, empty, several(empty, "empty group", "empty groups", "is left out")),
          loss(:group_notes, notes, several(notes, "note on a group", "notes on groups", "is left out"))].compact
      end

      NAMES = {palette_name: "its name: the file’s stands for it", palette_note: "its note: left out", condition: "what it was measured on: left out", licence: "the licence: left out"}.freeze

      def of_palette = Carried::OF_PALETTE.filter_map { |feature, member| Loss.new(feature, 1, NAMES.fetch(feature)) if @palette[member] && @palette[member] != @carried[member] }

      def several(...) = Losses.words(...)
    end
  end
end
