module Places
  module Dress
    # What Dress shows: an artwork on the stage, others beside it, the parts that are picked,
    # and the colours in it.
    class Page
      # @param desk [Frame::Desk]
      # @param param [Frame::Asked] of the request
      # @param picks [[Integer, Array<Integer>]] an artwork, and numbers of its parts
      def initialize(desk, param, picks)
        @desk, @param, @picks = desk, param, picks
      end

      MOST_BESIDE = 3 # drawings next to that on the stage

      # Without colourways.
      def artworks = @artworks ||= @desk.rows.artworks

      # All that can stand on the stage.
      def all = @all ||= artworks + @desk.rows.colourways.values.flatten

      # @return [Artwork, nil] the one asked for, or the first
      def artwork = @artwork ||= all.find { |each| each.id.to_s == @param[:artwork] } || artworks.first

      # Of other artworks, the first colourway of each.
      def others = artworks.reject { |each| each.id == artwork.drawn_id }

      # @return [Family] the colourways of the artwork on the stage
      def family = @family ||= Family.new(artwork, artworks, @desk.rows.colourways)

      # Colourways that are drawn beside the one on the stage.
      # @return [Array<Artwork>]
      def beside = @beside ||= if artwork
                     @param.ids(:beside, most: 20).filter_map { |id| family.others.find { |each| each.id == id } }.first(MOST_BESIDE - (look ? 1 : 0))
                   else
                     []
                   end

      # What the address says of them, with one more or less, or another one on the stage.
      # @return [String, nil]
      def beside_with(each) = (beside.include?(each) ? beside - [each] : beside + [each]).map(&:id).join(",").presence

      def beside_for(each) = (if beside.include?(each)
                                beside.map { |other| (other == each) ? artwork : other }
                              else
                                beside
                              end).map(&:id).join(",").presence

      # Does it follow what is open in Mix?
      # @param sheet [Frame::Sheet, nil]
      def follows?(each, sheet) = others_following(sheet).include?(each)

      # @return [Array<Artwork>]
      def others_following(sheet)
        @others_following ||= sheet&.id ? others.select { |each| followers_of(sheet).include?(each.id) } : []
      end

      # What changed on the stage since its window was told last.
      # @param painted [Array<Integer>, nil] which artwork it shows, as of which stamp
      # @return [Hash, nil] see Told
      def told(painted) = (Told.new(artwork, since: painted[1]).to_h if artwork && painted && painted[0] == artwork.id && painted[1] > 0)

      TOOLS = {
        "pick" => ["Pick parts", "Click picks, again picks what lies below, a frame picks what it touches"],
        "sweep" => ["Sweep", "Click or drag across parts to give them what is in hand"],
        "read" => ["Read colour", "Click takes in hand what a part is painted with, with Shift what is seen there. A key held down reads from within another tool"],
        "carry" => ["Carry", "Click or drag across parts to give them what another part has: fill, line, settings"]
      }.freeze

      # Of a drawing that shows pictures.
      FILL = {"fill" => ["Fill", "Click fills a patch of like colour of the picture, dragging takes in more or less"]}.freeze

      # @return [Hash{String => [String, String]}]
      def tools = layered? ? {**TOOLS, **FILL} : TOOLS

      # Does the artwork show pictures?
      def layered? = layers.any?

      # @return [Array<Magpie::Artwork::Layers::Layer>]
      def layers = artwork ? LayersOfDrawings.of(artwork.template) : []

      # @return [Filling]
      def filling = @filling ||= Filling.read(@desk.choices[:filling])

      # What is picked, where it is one patch that was filled.
      # @return [Magpie::Artwork::Layers::Filled, nil]
      def filled = (FillsOfDrawings.of(artwork.template)[artwork.parts.find_by(position: @picks[1].first)&.key] if picked&.size == 1)

      # Without a swatch to sweep, parts are picked.
      def tool
        asked = @param[:tool] || ("pick" unless @desk.hand.content)
        (tools.key?(asked) || asked == "patch") ? asked : "sweep"
      end

      # Where the tool is to carry.
      # @return [Carrying, nil]
      def carrying = (@carrying ||= Carrying.new(all, outfits, @param[:from], @desk.choices) if tool == "carry" && artwork)

      # What it carries from, when that tool is taken: the one part that is picked.
      def carry_from = @param[:from] || ("#{artwork.id}.#{@picks[1].first}" if picked&.size == 1)

      # @return [Picked, nil]
      def picked
        return @picked if defined?(@picked)
        id, numbers = @picks
        found = Picked.new(artwork, numbers) if artwork && id == artwork.drawn_id && numbers.any?
        @picked = found if found && found.size > 0
      end

      # As the browser wrote it.
      def picked_text = picked ? Numbers.write(@picks[1]) : ""

      # What is given to: "fill" or "line".
      def target = @desk.choices[:target]

      # How the artwork is looked at beside the stage. It is nobody's choice, and not kept.
      IN_RACK = 400 # entries of a library

      LOOKS = {**Magpie::Vision::Looking::KINDS, press: "The press"}.freeze

      # @return [Symbol, nil]
      def look = LOOKS.keys.find { |kind| kind.to_s == @param[:look] }

      # How many drawings stand on the stage.
      def panes = beside.size + (look ? 1 : 0)

      # Where a whole palette is about to be swapped.
      # @return [PaletteSwap, nil]
      def palette_swap = @palette_swap ||= (PaletteSwap.new(@desk, self, @param) if @param[:do] == "palette" && artwork)

      # What the stage shows beforehand, see Swaps.
      # @return [String, nil]
      def swaps = palette_swap&.text.presence

      # Is the tree of parts shown, and not the list of colours?
      def parts? = @param[:side] == "parts"

      # @return [GroupsOfParts]
      def groups = @groups ||= GroupsOfParts.new(artwork)

      # @return [Array<ShownPatch>]
      def patches = ShownPatch.on(artwork)

      # The test patch that is drawn next.
      def shape = Patch::SHAPES.include?(@param[:shape]) ? @param[:shape] : "rectangle"

      # Changes when a part is called something else.
      def labels = family.first.labels_key

      # @return [ColourList]
      def colours = @colours ||= ColourList.new(@desk, whole_project? ? all : [artwork], @param[:colour])

      # Are the colours of all artworks listed?
      def whole_project? = @desk.choices[:colours_of] == "project" && all.size > 1

      # @return [Hash{Group => Array<Chip>}] none that are empty
      def rack = @desk.groups.to_h { |group| [group, @desk.chips[group.id]] }.reject { |_, chips| chips.empty? }

      # A library that somebody put into the rack, as far as there is room for it.
      # @return [Array(Library, Array<Entry>), nil]
      def rack_library
        return @rack_library if defined?(@rack_library)
        library = @desk.actor.libraries.find_by(id: @desk.choices[:rack_library].to_i)
        @rack_library = library && [library, library.entries.limit(IN_RACK).to_a]
      end

      # Where a swatch can be kept.
      # @return [Array<Group>]
      def rack_groups = @desk.groups

      # Those of the palettes in use.
      # @return [Array<DrawnOutfit>]
      def outfits = @outfits ||= DrawnOutfit.of(@desk.palettes)

      # Those that are worn where colours are listed, each by how many parts.
      # @param list [ColourList]
      # @return [Hash{DrawnOutfit => Integer}]
      def worn(list)
        strange = list.outfits.map(&:first) - outfits.map(&:id)
        known = (outfits + DrawnOutfit.with(strange)).index_by(&:id)
        list.outfits.filter_map { |id, parts| [known[id], parts] if known[id] }.to_h # one may go meanwhile
      end

      # Are there pictures whose main colours can be given?
      def pictures? = @desk.rows.sources.any?

      # The swatch in hand, if the project uses it.
      # @return [Chip, nil]
      def held = @held ||= @desk.hand.content&.swatch_id&.then { |id| @desk.used_chips.find { |each| each.id == id } }

      # What it reaches.
      def reach = @reach ||= Reach.new(@desk.actor, [held.id], most: 3)

      # Where its parts are shown: here, or in the artwork of the project that has most.
      # @return [Artwork, nil]
      def first_reached
        found = reach.shown.map(&:first) & all
        found.include?(artwork) ? artwork : found.first
      end

      private

      # Artworks that show it, or what follows it.
      def followers_of(sheet) = @followers_of ||= @desk.actor.reaches.where(swatch_id: [sheet.id, *sheet.followers]).pluck(:artwork_id)
    end
  end
end
