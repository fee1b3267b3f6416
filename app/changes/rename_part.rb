module Changes
  # Calls a part of an artwork, or a group of its parts, something else.
  class RenamePart < Change
    include OfArtwork

    # @param number [Integer, nil] of the part
    # @param group [String, nil] key of the group, see Magpie::Artwork::Tree
    def initialize(project, name:, number: nil, group: nil, **given)
      super(project, **given)
      @name, @number, @group = Magpie::Text.name(name, longest: 60), number, group
    end

    private

    def make
      raise Magpie::Error, "A part needs a name" if @name.empty?
      @group ? rename_group : rename_part
      update(@artwork, labels_key: SecureRandom.hex(4))
    end

    def rename_group
      @was = GroupsOfParts.new(@artwork).label(@group) or raise Magpie::Error, "#{@artwork.name} has no such group"
      update(@artwork, group_labels: {**now(@artwork, :group_labels), @group => @name})
    end

    def rename_part
      part = @artwork.parts.find_by(position: @number) or raise Magpie::Error, "#{@artwork.name} has no such part"
      @was = part.label
      update(part, label: @name)
    end

    def words = "Renamed #{@was} to #{@name} in #{@artwork.name}"
  end
end
