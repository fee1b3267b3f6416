module Places
  module Palettes
    # What is done with a selection at once, and how it is told.
    class Acting
      # @param selected [Array<Swatch>]
      # @param choices [Frame::Choices]
      # @param param [Frame::Asked] of the request
      def initialize(project, actor, selected, choices, param)
        @project, @actor, @selected, @choices, @param = project, actor, selected, choices, param
      end

      DOES = %w[lock unlock loosen fill order rename].freeze

      # @param done [String] one of DOES
      # @return [String] what was done, in words
      # @raise [Magpie::Error]
      def perform(done)
        raise Magpie::Error, "There is no such action" unless DOES.include?(done)
        send(done)
      end

      private

      def lock
        change(Changes::LockSwatches, locked: true)
        "Locked #{number}"
      end

      def unlock
        change(Changes::LockSwatches, locked: false)
        "Unlocked #{number}"
      end

      def loosen
        change(Changes::LoosenSwatches)
        "Made #{number} loose. Every place keeps its value"
      end

      def fill
        steps = @param.number(:steps, 0, 0..40).to_i if @param.given?(:steps)
        change(Changes::FillGaps, grid: @choices[:view] == "grid", steps:)
        "Filled the gaps between #{number}"
      end

      def order
        change(Changes::OrderSwatches, key: @param.text(:key))
        "Ordered #{number} by #{@param[:key]}"
      end

      def rename
        change(Changes::RenameSwatches, pattern: @param[:pattern])
        "Renamed #{number}"
      end

      def change(kind, **given) = kind.perform(@project, actor: @actor, swatches: @selected, **given)

      def number = Magpie::Text.count(@selected.size, "swatch")
    end
  end
end
