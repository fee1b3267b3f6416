module Changes
  # What a person decides about a find: which of its two colours counts, its name,
  # and whether clearing passes it over.
  class ChangeFind < Change
    include OfProject

    # @param chosen [String] "average" or "most_common"
    # @param name [String]
    # @param pinned [Boolean]
    def initialize(project, find:, chosen: nil, name: nil, pinned: nil)
      super(project)
      @find, @chosen, @name, @pinned = find, chosen, name && Magpie::Text.name(name, longest: 80), pinned
    end

    private

    def make
      @was = @find.name
      raise Magpie::Error, "A find needs a name" if @name && @name.empty?
      columns = {chosen: (@chosen if %w[average most_common].include?(@chosen)), pinned: @pinned}.compact
      columns.update(name: @name, named: true) if @name
      update(@find, **columns)
      @find
    end

    def words
      return "Named #{@was} #{@name}" if @name
      return "#{@pinned ? "Pinned" : "Unpinned"} #{@was}" unless @pinned.nil?
      "Took the #{@chosen.tr("_", " ")} colour of #{@was}"
    end
  end
end
