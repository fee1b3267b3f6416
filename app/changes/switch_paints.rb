module Changes
  # Parts are painted plain, with a gradient, with a pattern, or not at all, from now on. What
  # they held of another kind is remembered, and what they held of this one comes back.
  class SwitchPaints < Change
    include OfParts
    include Ties

    # @param kind [String] one of Remembering::KINDS
    # @param content [Hand::Content, nil] what is in hand: the other colour of a new gradient
    def initialize(project, kind:, content: nil, **given)
      super(project, **given)
      raise Magpie::Error, "#{kind[0, 40].inspect} is nothing that a part is painted with: expected #{KINDS.join(", ")}" unless KINDS.include?(kind)
      @kind, @content = kind, content
    end

    private

    def make
      groups = wanted(found_places)
      raise Magpie::Error, "There is nothing to switch: #{parts} #{(@labels.size == 1) ? "is" : "are"} so already" if groups.empty?
      @shared = Swatch.where(id: groups.keys.flat_map { |held| [held["swatch"], *held["inks"]&.values] }.compact.uniq, shared: true).index_by(&:id)
      remember(groups.values.flatten)
      clear_places(groups.values.flatten)
      groups.each do |held, ids|
        update_all(Place, ids, **Place::EMPTY, **columns(held))
        create_all(Follow, ids.flat_map { |id| ties(held).map { |swatch_id, ink| {place_id: id, swatch_id:, ink:} } })
      end
    end

    # What places are to hold, each once: what they remember, or what is made of what they have.
    # @return [Hash{Hash => Array<Integer>}] ids of places, without those that are so
    def wanted(ids)
      rows = Place.where(id: ids).where("(#{kind_sql(ids)}) <> ?", @kind).order(:id).pluck(:id, *["places.remembered->'#{@kind}'", HELD].map { |sql| Arel.sql(sql) })
      made = Hash.new { |known, now| known[now] = (@kind == "none") ? {"kind" => "none"} : new_one(now) }
      rows.group_by { |_, before, now| (before if @kind != "none") || made[now] }.transform_values { |some| some.map(&:first) }
    end

    # Does it follow what it followed?
    def follows?(held) = held["swatch"] && @shared[held["swatch"]] && !@shared[held["swatch"]].paint.nil? == (@kind != "plain")

    # @return [Array<[Integer, Integer]>] swatch and ink
    def ties(held)
      return [[held["swatch"], nil]] if follows?(held)
      held["paint"] ? inks(held).map { |ink, swatch| [swatch.id, ink] } : []
    end

    # Swatches that inks go on following.
    # @return [Hash{Integer => Swatch}]
    def inks(held) = held["inks"].to_h.filter_map { |ink, id| [ink.to_i, @shared[id]] if @shared[id] && @shared[id].paint.nil? }.to_h

    def columns(held)
      return {kind: "colour", laid: held["laid"]} if follows?(held)
      return {kind: "compound", laid: held["laid"], paint: inks(held).reduce(Magpie::Palette::Compound.from_h(held["paint"])) { |paint, (ink, swatch)| paint.with_ink(ink, swatch.colour) }} if held["paint"]
      return {kind: "reference", reference: held["reference"]} if held["reference"] && in_file?(held["reference"])
      colour = held["colour"] && Magpie::Color.from_h(held["colour"])
      colour ? {kind: "colour", colour:, hex: colour.hex} : {}
    end

    # Another file may have taken its place.
    def in_file?(reference)
      name = Magpie::Artwork::Identifiers.safe(reference[/\Aurl\(#(.*)\)\z/, 1].to_s)
      Drawings.of(@artwork.template).include?(%(id="#{Magpie::Artwork::Identifiers::MARK}#{CGI.escapeHTML(name)}"))
    end

    # What a place gets that never held one of the kind: of the colours that it has.
    # @param now [Hash] what it holds
    def new_one(now)
      inks = inks_of(now)
      return {"kind" => "colour", "colour" => inks[0].colour.to_h, "swatch" => inks[0].reference}.compact if @kind == "plain"
      inks << other(inks[0]) if inks.size < 2
      gradient = @kind == "gradient"
      inks = inks.first(gradient ? Magpie::Palette::Compound::MOST : 2)
      inks = inks.each_with_index.map { |ink, index| ink.with(offset: index.fdiv(inks.size - 1), opacity: gradient ? ink.opacity : 1.0) }
      paint = Magpie::Palette::Compound.new(form: gradient ? "linear" : "stripes", angle: gradient ? 90.0 : 45.0, size: 24.0, mixing: "oklab", inks:)
      {"kind" => "compound", "paint" => paint.to_h, "inks" => inks.each_with_index.filter_map { |ink, index| [index.to_s, ink.reference] if ink.reference }.to_h}
    end

    # @return [Array<Magpie::Palette::Compound::Ink>] with what they follow
    def inks_of(now)
      return Magpie::Palette::Compound.from_h(now["paint"]).inks.each_with_index.map { |ink, index| ink.with(reference: now["inks"]&.[](index.to_s)) } if now["paint"]
      now["colour"] ? [ink(Magpie::Color.from_h(now["colour"]), now["swatch"])] : [in_hand || ink(Magpie::Notation.parse("#808080"), nil)]
    end

    def ink(colour, reference, **given) = Magpie::Palette::Compound::Ink.new(colour:, reference:, offset: 0.0, **given)

    # What is in hand, where that is a plain colour.
    def in_hand = (ink(@content.colour, @content.swatch_id) if @content && !@content.css)

    # Beside the one colour that is there: the one in hand; or nothing in a gradient, and in
    # a pattern what can be told from it.
    def other(one)
      held = in_hand
      return held if held && held.colour.hex != one.colour.hex
      (@kind == "gradient") ? one.with(opacity: 0.0) : ink(Magpie::Notation.parse(Magpie::Contrast.ink_on(one.colour).to_s), nil)
    end

    def words
      return "Painted #{parts} with nothing" if @kind == "none"
      "Painted #{"the line of " if @role == "line"}#{parts} #{(@kind == "plain") ? "plain" : "with a #{@kind}"}"
    end
  end
end
