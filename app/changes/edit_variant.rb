module Changes
  # Changes a variant of a board: its name, its ground, how light that is, its trims, what is
  # noted for it.
  class EditVariant < Change
    include OfBoard

    # @param name [String, nil] each that is nil stays as it is
    # @param ground [Hand::Content, nil]
    # @param steps [Integer, nil] lighter, or darker below 0
    # @param entry [Entry, nil, false] noted for its ground; false leaves it
    # @param trim [Hand::Content, nil] is added after the others
    # @param without [Integer, nil] number of a trim that goes
    # @param uses [Array<String>, nil] what the trims are, in their order
    def initialize(project, variant:, name: nil, ground: nil, steps: nil, entry: false, trim: nil, without: nil, uses: nil)
      super(project)
      @variant, @ground, @steps, @entry, @trim, @without, @uses = variant, ground, steps, entry, trim, without, uses
      @name = name && Magpie::Text.name(name, longest: 120)
    end

    private

    def make
      @variant = found(@variant)
      @was = @variant.name
      check
      put(@variant, Variant::GROUND, @ground) if @ground
      columns = {name: @name, steps: @steps&.clamp(Variant::STEPS), trims: trims}.compact
      columns[:name] ||= Magpie::ColorName.unused(@ground.name, others) if @ground
      columns[:entry_id] = noted unless @entry == false && @ground.nil?
      changed = columns.reject { |column, value| @variant[column] == value }
      update(@variant, **changed)
      @variant
    end

    def check
      raise Magpie::Error, "A ground needs a name" if @name && @name.empty?
      raise Magpie::Error, "The board has a ground called #{@name} already" if @name && others.any? { |other| other.casecmp?(@name) }
      raise Magpie::Error, "#{Variant::TRIMS} trims are as many as a board has room for" if @trim && @variant.trims.size >= Variant::TRIMS
    end

    def others = Variant.where(board_id: @variant.board_id).where.not(id: @variant.id).pluck(:name)

    # Another ground is matched by nothing yet, unless it is an entry itself.
    def noted
      return actor.entries.exists?(id: @ground.entry_id) ? @ground.entry_id : nil if @ground
      return if @entry.nil?
      raise Magpie::Error, "#{@entry.in_words} is in no library any longer. Look again" unless actor.entries.exists?(id: @entry.id)
      @rows.standing_on(Library, [@entry.library_id])
      @entry.id
    end

    # @return [Array<Hash>, nil] nil where they stay as they are
    def trims
      return added if @trim
      return without if @without
      @variant.trims.zip(@uses).map { |trim, use| trim.merge("use" => Magpie::Text.name(use.to_s, longest: 40)) } if @uses
    end

    def added
      role = (1..Variant::TRIMS).map { |number| "trim#{number}" }.find { |each| @variant.trims.none? { |trim| trim["role"] == each } }
      put(@variant, role, @trim)
      @variant.trims + [{"role" => role, "name" => @trim.name, "use" => ""}]
    end

    def without
      gone = @variant.trims[@without] or raise Magpie::Error, "That trim was removed meanwhile"
      take_places(Place.where(variant_id: @variant.id, role: gone["role"]).ids)
      @variant.trims - [gone]
    end

    def words
      return "Renamed the ground #{@was} to #{@name}" if @name && @name != @was
      return "Gave #{@was} another ground, #{@variant.name}" if @ground
      return "Made the ground #{@was} #{@steps.positive? ? "lighter" : "darker"}" if @steps
      return "Noted #{@entry.in_words} for the ground #{@was}" if @entry
      return "Took the match of the ground #{@was} away" if @entry.nil?
      "Changed the trims of #{@was}"
    end
  end
end
