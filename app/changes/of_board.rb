module Changes
  # Boards: what is cut for them, and how their variants are given colours.
  module OfBoard
    include Ties

    private

    # Before any lock: cutting takes a while.
    # @return [Hash] columns of a board
    def cut(source, corners, straightened)
      bytes = Blob.bytes(source.sha256) or raise Magpie::Error, "#{source.name} is gone"
      @piece, width, height = Magpie::Walls.piece(bytes, corners, straightened:, name: source.name)
      {source:, corners:, straightened:, sha256: Blob.sha256(@piece), width:, height:}
    end

    def keep_piece = Blob.keep(@piece, "image/png")

    # @return [Board] as it is now
    def standing(board) = project.boards.lock.find(board.id)

    # @param content [Hand::Content] its ground
    # @return [Variant]
    def add_variant(board, content, name: content.name)
      taken = board.variants.pluck(:name)
      variant = create(Variant, board:, name: Magpie::ColorName.unused(name, taken), position: next_position(board.variants), entry_id: (content.entry_id if actor.entries.exists?(id: content.entry_id)))
      put(variant, Variant::GROUND, content)
      variant
    end

    # A place of a variant, given what is in hand.
    def put(variant, role, content)
      ids = Place.where(variant_id: variant.id, role:).ids
      ids = create_all(Place, [{role:, kind: "none", variant_id: variant.id}]) if ids.empty?
      give(ids, content)
    end

    # @return [Variant]
    def found(variant)
      found = Variant.lock.find_by(id: variant.id) or raise Magpie::Error, "#{variant.name} was removed meanwhile"
      standing(found.board)
      found
    end

    def take_places(ids)
      remove(Follow, Follow.where(place_id: ids).ids)
      remove(Place, ids)
    end
  end
end
